import { describe, expect, it } from 'vitest'
import { newAccountSchema } from '../../contract/account'
import { newMeterSchema } from '../../contract/lists'
import { RequestFailure } from '../api/client'
import { say } from '../../core/document'
import { useForm } from './useForm'

const account = () =>
  useForm(newAccountSchema, () => ({ name: '', login: '', password: '', role: 'student' }))

describe('a form', () => {
  it('says at each field what the server’s own schema would refuse, and sends nothing', async () => {
    const form = account()
    let sent = 0
    expect(await form.submit(() => Promise.resolve(sent++))).toBe(false)
    expect(sent).toBe(0)
    expect(Object.keys(form.errors).sort()).toEqual(['login', 'name', 'password'])
    expect(form.errors['password']).toContain('at least 12 characters')
  })

  it('sends what the schema makes of it, without the fields that it does not know', async () => {
    const form = account()
    Object.assign(form.values, { name: '  Nela Farrow ', login: 'nela', password: 'four grey river stones' })
    let sent: unknown
    expect(
      await form.submit((data) => {
        sent = data
        return Promise.resolve()
      }),
    ).toBe(true)
    expect(sent).toEqual({ name: 'Nela Farrow', login: 'nela', password: 'four grey river stones' })
    expect(form.errors).toEqual({})
  })

  it('looks at a field that is left, but not at one that is still empty', async () => {
    const form = account()
    await form.left('login')
    expect(form.errors['login']).toBeUndefined()
    form.values.login = 'Nela Farrow!'
    await form.left('login')
    expect(form.errors['login']).toBeTruthy()
    form.values.login = 'nela'
    await form.left('login')
    expect(form.errors['login']).toBeUndefined()
  })

  it('puts what the server refuses at its field, and what has no field above the button', async () => {
    const form = useForm(newMeterSchema, () => ({ name: 'Bench 4', host: '192.168.1.40', port: 5025 }))
    const refuse = (where: string) =>
      form.submit(() =>
        Promise.reject(
          new RequestFailure(422, say('school.giveName'), [{ where, ...say('school.giveName') }]),
        ),
      )
    expect(await refuse('host')).toBe(false)
    expect(form.errors['host']).toBeTruthy()
    expect(form.wrong).toBe('')
    expect(await refuse('elsewhere')).toBe(false)
    expect(form.errors).toEqual({})
    expect(form.wrong).toBeTruthy()
    expect(form.busy).toBe(false)
  })

  it('knows whether anything was changed, and goes back to what it was', () => {
    const form = account()
    expect(form.changed).toBe(false)
    form.values.name = 'Nela'
    expect(form.changed).toBe(true)
    form.reset()
    expect(form.changed).toBe(false)
  })
})
