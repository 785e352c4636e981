import { describe, expect, it } from 'vitest'
import { RequestFailure } from './client'
import { useOneAct } from './one-act'

const failure = (status: number) => new RequestFailure(status, { code: 'school.refused' })

describe('an act that is to happen once', () => {
  it('is sent once, however often its button is pressed meanwhile', async () => {
    const { busy, once } = useOneAct(() => 'x')
    let end = (): void => undefined
    const keys: string[] = []
    const work = (key: string) => {
      keys.push(key)
      return new Promise<string>((resolve) => (end = () => resolve('done')))
    }
    const first = once(work)
    expect(busy.value).toBe(true)
    expect(await once(work)).toBeUndefined()
    end()
    expect(await first).toBe('done')
    expect(busy.value).toBe(false)
    expect(keys).toHaveLength(1)
  })

  it('has the same key after a lost answer, and another for another content or the next act', async () => {
    let content = 'a'
    const { once } = useOneAct(() => content)
    const keys: string[] = []
    const press = (error?: Error) =>
      once((key) => {
        keys.push(key)
        return error ? Promise.reject(error) : Promise.resolve('done')
      }).catch(() => undefined)
    await press(failure(0))
    await press(failure(503))
    await press()
    expect(new Set(keys).size).toBe(1)
    await press(failure(0))
    content = 'b'
    await press(failure(409))
    await press()
    expect(new Set(keys).size).toBe(4)
  })
})
