import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { createServer, type Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { pino } from 'pino'
import request from 'supertest'
import type TestAgent from 'supertest/lib/agent'
import { Listener } from '../../../test/listener'
import { passwords, startSchool, type School } from '../../../test/school'
import { circuitListSchema, floorRowSchema, floorSchema, toldSchema, type FloorRow } from '../../contract'
import { createApp } from '../app'
import { Judge } from '../judging'

const planted = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 3.1415 }
const on = { controls: { S1: 'closed' }, detached: [] }

const rowsOf = ({ events }: Listener): FloorRow[] =>
  events.filter((e) => e.name === 'row').map((e) => floorRowSchema.parse(JSON.parse(e.data)))

describe('the Floor', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let id: string
  let server: Server
  /** A second server process would share no memory either: another application on the same database. */
  let second: Server
  const cookies: Record<string, string> = {}
  const listeners: Listener[] = []
  const listen = async (at: Server, path: string, who: string) => {
    const one = await new Listener().open(at, path, cookies[who]!)
    listeners.push(one)
    return one
  }
  const step = (action: object) => tam.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action })
  const volts = (red: string, black: string) => ({
    type: 'test',
    arrangement: on,
    instrument: 'volts',
    settings: {},
    held: { type: 'leads', red, black },
    prediction: { type: 'value', value: 12.3 },
  })

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    for (const login of ['orla', 'tam', 'idris'] as const) {
      const { headers } = await school
        .visitor()
        .post('/api/session')
        .send({ login, password: passwords[login] })
      cookies[login] = String(headers['set-cookie']).split(';')[0]!
    }
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    const order = {
      circuit,
      students: [students.find((s) => s.login === 'tam')!.id],
      complaint: 'The work lamp is dim.',
      faults: [planted],
    }
    id = ((await orla.post('/api/orders').send(order).expect(201)).body as { id: string }).id
    server = createServer(school.app).listen(0)
    const { database, workers } = school
    second = createServer(createApp({ database, workers, logger: pino({ level: 'silent' }) })).listen(0)
    await Promise.all([once(server, 'listening'), once(second, 'listening')])
  }, 60_000)
  afterAll(async () => {
    for (const one of listeners) one.close()
    server.closeAllConnections()
    second.closeAllConnections()
    await school.close()
  })

  it('shows every step to whoever watches, on any server, and tells the student nothing of it', async () => {
    const here = await listen(server, '/api/floor/live', 'orla')
    const there = await listen(second, '/api/floor/live', 'orla')
    const desk = await listen(server, `/api/desk/${id}/live`, 'tam')
    await tam.get(`/api/desk/${id}`).expect(200)
    await step({ type: 'operate', arrangement: on, says: 'asComplained' }).expect(200)
    await step(volts('X2a', 'X2b')).expect(200)
    for (const one of [here, there]) {
      const row = await one.until(() => rowsOf(one).find((r) => r.tests === 1))
      expect(row).toMatchObject({ id, student: { name: 'Tam Pellow' }, stopped: null, hints: 0 })
      // The step comes at once, what it leaves of the suspects when it has been judged.
      await one.until(() =>
        rowsOf(one).find(({ tests, left }) => tests === 1 && left && left.at(-1)! < left[0]!),
      )
      expect(row.last).toMatchObject({ type: 'test', held: { red: 'X2a' } })
    }
    const [now] = floorSchema.parse((await orla.get('/api/floor').expect(200)).body).rows
    expect(now).toMatchObject({ id, tests: 1 })
    for (const { data } of desk.events) expect(data === '' || data === 'null').toBe(true)
  }, 30_000)

  it('shows a step at once where the judge is slow, with what was judged before it', async () => {
    const { database, workers } = school
    // This server's judge never comes to it.
    const slow = new Judge(database, workers)
    slow.follow = () => undefined
    const app = createApp({ database, workers, judge: slow, logger: pino({ level: 'silent' }) })
    const third = createServer(app).listen(0)
    await once(third, 'listening')
    const there = await listen(third, '/api/floor/live', 'orla')
    const page = await request(third).get('/api/floor').set('cookie', cookies['orla']!).expect(200)
    const before = floorSchema.parse(page.body).rows.find((row) => row.id === id)!
    expect(before.left).not.toBe(null)
    const late = (action: object) =>
      request(third)
        .post(`/api/desk/${id}/steps`)
        .set('cookie', cookies['tam']!)
        .send({ key: randomUUID(), action })
        .expect(200)
    await late({ type: 'infer', struck: [], ringed: [], note: '' })
    await late(volts('X2a', 'X2b'))
    const at = await there.until(() => rowsOf(there).find((r) => r.tests === 2))
    expect(at.left).toEqual(before.left)
    third.closeAllConnections()
    third.close()
  }, 30_000)

  it('says loudly what is unsafe, and when tests tell nothing', async () => {
    const here = await listen(server, '/api/floor/live', 'orla')
    await step({ type: 'infer', struck: [], ringed: [], note: '' }).expect(200)
    for (let n = 0; n < 3; n++) await step(volts('B1+', 'B1-')).expect(200)
    const idle = await here.until(() => rowsOf(here).find((r) => r.idle >= 2))
    expect(idle.unsafe).toEqual([])
    // An ammeter across the battery.
    await step({
      type: 'test',
      arrangement: on,
      instrument: 'volts',
      settings: { jack: 'amps' },
      held: { type: 'leads', red: 'B1+', black: 'B1-' },
      prediction: { type: 'value', value: 12 },
    })
    const unsafe = await here.until(() => rowsOf(here).find((r) => r.unsafe.length > 0))
    expect(unsafe.unsafe[0]!.what.code).toMatch(/^rules\./)
  }, 30_000)

  it('is heard at the Desk: a word, a stop that holds, more time, hints', async () => {
    const desk = await listen(second, `/api/desk/${id}/live`, 'tam')
    const say = (act: object) => orla.post(`/api/orders/${id}/acts`).send(act)
    await say({ type: 'nudge', text: 'What would it read with the lamp out?' }).expect(204)
    await desk.until(() => desk.events.find((e) => e.name === 'told'))
    const told = async () => toldSchema.parse((await tam.get(`/api/desk/${id}/told`).expect(200)).body)
    expect((await told()).said.map(({ text }) => text)).toEqual(['What would it read with the lamp out?'])
    await say({ type: 'stop', text: 'Leads off.' }).expect(204)
    expect((await told()).stopped).toBe('Leads off.')
    const refused = await step(volts('L1a', 'L1b')).expect(409)
    expect(JSON.stringify(refused.body)).toContain('Leads off.')
    await say({ type: 'go' }).expect(204)
    await say({ type: 'hints' }).expect(204)
    expect((await told()).hints).toMatchObject({ where: 1 })
    await step(volts('L1a', 'L1b')).expect(200)
    await say({ type: 'extend', minutes: 0 }).expect(422)
    await say({ type: 'nudge', text: ' ' }).expect(422)
    for (const secret of ['3.1415', 'highResistance', 'suspects'])
      expect((await tam.get(`/api/desk/${id}/told`)).text).not.toContain(secret)
  }, 30_000)

  it('is nobody else’s', async () => {
    for (const path of ['/api/floor', '/api/floor/live']) await tam.get(path).expect(403)
    await tam.post(`/api/orders/${id}/acts`).send({ type: 'go' }).expect(403)
    const idris = await school.signedIn('idris', passwords.idris)
    for (const path of ['told', 'live']) await idris.get(`/api/desk/${id}/${path}`).expect(404)
    for (const path of ['told', 'live']) await school.visitor().get(`/api/desk/${id}/${path}`).expect(401)
  })
})
