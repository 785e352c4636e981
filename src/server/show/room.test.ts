import { once } from 'node:events'
import { createServer, type Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { Listener } from '../../../test/listener'
import { passwords, startSchool, type School } from '../../../test/school'
import { askedSchema, spreadSchema, type QuestionBody } from '../../contract'

const where = { circuit: 'Work lamp', state: 'lamp on' }
const volts: QuestionBody = { type: 'volts', ...where, point: 'X2a' }

describe('a question from the wall', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let idris: TestAgent
  let server: Server
  const cookieOf = async (login: string, password: string) => {
    const response = await school.visitor().post('/api/session').send({ login, password })
    return String(response.headers['set-cookie']![0]).split(';')[0]!
  }
  const put = async (body: QuestionBody, group: string | null = null): Promise<string> => {
    const { body: made } = await orla.post('/api/questions').send({ body, class: group }).expect(201)
    return (made as { id: string }).id
  }
  const asked = async (who: TestAgent) => askedSchema.parse((await who.get('/api/asked').expect(200)).body)
  const spread = async (id: string) =>
    spreadSchema.parse((await orla.get(`/api/questions/${id}/answers`).expect(200)).body).values

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    idris = await school.signedIn('idris', passwords.idris)
    server = createServer(school.app).listen(0)
    await once(server, 'listening')
  })
  afterAll(async () => {
    server.closeAllConnections()
    server.close()
    await school.close()
  })

  it('reaches every screen at once, is answered and answered anew, and shows values without names', async () => {
    const phone = await new Listener().open(server, '/api/room/live', await cookieOf('tam', passwords.tam))
    const wall = await new Listener().open(server, '/api/room/live', await cookieOf('orla', passwords.orla))
    await phone.until(() => phone.events.find((e) => e.name === 'asked'))
    expect(await asked(tam)).toBeNull()
    const heard = phone.events.length
    const id = await put(volts)
    await phone.until(() => (phone.events.length > heard ? true : undefined))
    expect(await asked(tam)).toEqual({ id, body: volts, mine: null })
    await tam.put(`/api/asked/${id}`).send({ value: 12.4 }).expect(204)
    await idris.put(`/api/asked/${id}`).send({ value: 0 }).expect(204)
    await idris.put(`/api/asked/${id}`).send({ value: 11.5 }).expect(204)
    await wall.until(() => (wall.events.filter((e) => e.name === 'answered').length > 2 ? true : undefined))
    expect((await spread(id)).toSorted()).toEqual([11.5, 12.4])
    expect((await asked(idris))?.mine).toBe(11.5)
    // What is sent by itself is that something happened, and nothing else.
    for (const { data } of [...phone.events, ...wall.events]) expect(JSON.parse(data)).toBeNull()
    const answers = await orla.get(`/api/questions/${id}/answers`)
    expect(answers.text).not.toMatch(/tam|idris|user/i)

    await orla.delete(`/api/questions/${id}`).expect(204)
    expect(await asked(tam)).toBeNull()
    const late = await tam.put(`/api/asked/${id}`).send({ value: 3 }).expect(409)
    expect(JSON.stringify(late.body)).toContain('questionClosed')
    phone.close()
    wall.close()
  })

  it('takes what it asks for, and says what that is', async () => {
    const pieces = [{ id: 'X2.pin', name: 'X2 pin' }]
    for (const [body, wrong, right] of [
      [volts, 'bright', 12],
      [{ type: 'light', ...where, part: 'L1', glows: [{ id: 'dim', name: 'dim' }] }, 'blue', 'dim'],
      [{ type: 'piece', ...where, pieces }, 'X9.pin', 'X2.pin'],
      [
        {
          type: 'choice',
          ...where,
          text: { code: 'quiz.usedWhy' },
          choices: [{ code: 'quiz.isOpen' }, { code: 'quiz.isSound' }],
        },
        2,
        1,
      ],
    ] as const) {
      const id = await put(body as QuestionBody)
      const refused = await tam.put(`/api/asked/${id}`).send({ value: wrong }).expect(422)
      expect(JSON.stringify(refused.body)).toContain('notAnAnswer')
      await tam.put(`/api/asked/${id}`).send({ value: right }).expect(204)
      expect(await spread(id)).toEqual([right])
    }
    await tam
      .put(`/api/asked/${await put(volts)}`)
      .send({ value: 4000 })
      .expect(422)
  })

  it('is for one class where it says so; nobody else sees it or may answer it', async () => {
    const { body: group } = await orla.post('/api/classes').send({ name: 'Evening', term: '' }).expect(201)
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const tamId = students.find(({ login }) => login === 'tam')!.id
    await school.database.query('insert into class_members (class_id, user_id) values ($1, $2)', [
      (group as { id: string }).id,
      tamId,
    ])
    const id = await put(volts, (group as { id: string }).id)
    expect((await asked(tam))?.id).toBe(id)
    expect(await asked(idris)).toBeNull()
    await idris.put(`/api/asked/${id}`).send({ value: 1 }).expect(409)
  })

  it('the wall and the remote of one instructor hear each other; nobody else does', async () => {
    await orla
      .post('/api/instructors')
      .send({ name: 'Bram Oakley', login: 'bram', password: 'hopper-lamp-relay-9' })
      .expect(201)
    const bram = await school.signedIn('bram', 'hopper-lamp-relay-9')
    await bram
      .put('/api/password')
      .send({ current: 'hopper-lamp-relay-9', password: 'gritter-valve-spool-4' })
      .expect(204)
    const next = { type: 'act', wall: '6f9619ff-8b86-4d01-b42d-00cf4fc964f1', act: 'next' }
    const live = '/api/room/live'
    const mine = await cookieOf('orla', passwords.orla)
    const wall = await new Listener().open(server, live, mine)
    const remote = await new Listener().open(server, live, mine)
    const other = await new Listener().open(server, live, await cookieOf('bram', 'gritter-valve-spool-4'))
    const phone = await new Listener().open(server, live, await cookieOf('tam', passwords.tam))
    for (const one of [wall, remote, other, phone])
      await one.until(() => one.events.find(({ name }) => name !== 'wall'))
    await orla.post('/api/wall').send(next).expect(204)
    for (const one of [wall, remote]) {
      const heard = await one.until(() => one.events.find(({ name }) => name === 'wall'))
      expect(JSON.parse(heard.data)).toEqual(next)
    }
    await orla
      .post('/api/wall')
      .send({ ...next, act: 'explode' })
      .expect(422)
    await tam.post('/api/wall').send({ type: 'who' }).expect(403)
    expect([...other.events, ...phone.events].filter(({ name }) => name === 'wall')).toEqual([])
    for (const one of [wall, remote, other, phone]) one.close()
  })

  it('is put by instructors and answered by students only', async () => {
    const id = await put(volts)
    await tam.post('/api/questions').send({ body: volts }).expect(403)
    await tam.get(`/api/questions/${id}/answers`).expect(403)
    await tam.delete(`/api/questions/${id}`).expect(403)
    await orla.get('/api/asked').expect(403)
    await school.visitor().get('/api/asked').expect(401)
    await school.visitor().get('/api/room/live').expect(401)
  })
})
