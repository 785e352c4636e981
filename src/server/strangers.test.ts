import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { once } from 'node:events'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../test/school'

/** What somebody sends who means harm, or does not know better: it is refused before anything is done with it. */
describe('what is sent to the school', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let server: Server
  let url: string

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    server = createServer(school.app).listen(0, '127.0.0.1')
    await once(server, 'listening')
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  }, 60_000)
  afterAll(async () => {
    server.closeAllConnections()
    server.close()
    await school.close()
  })

  const nested = (depth: number, width = 1) =>
    `${'{"a":['.repeat(depth)}${Array(width).fill('1').join()}${']}'.repeat(depth)}`
  const send = (agent: TestAgent, path: string, body: string) =>
    agent.post(path).set('content-type', 'application/json').send(body)

  it.each([
    ['a stranger', '/api/session', () => school.visitor() as unknown as TestAgent],
    ['a student', '/api/desk/00000000-0000-4000-8000-000000000000/steps', () => tam],
    ['an instructor', '/api/circuits', () => orla],
  ])('by %s deep, wide or large is refused at once', async (_, path, who) => {
    for (const body of [
      nested(1000),
      nested(2000),
      nested(2, 900_000),
      `"${'x'.repeat(3_000_000)}"`,
      // Marks in a text are no structure, and a structure in a text is none.
      `{"login":"${'{['.repeat(10)}","password":"x"`,
    ]) {
      const answer = await send(who(), path, body)
      expect([400, 413], body.slice(0, 30)).toContain(answer.status)
    }
  })

  it('packed is not unpacked', async () => {
    const bomb = gzipSync(nested(4000, 900_000))
    expect(bomb.length).toBeLessThan(4000)
    const answer = await fetch(`${url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
      body: new Uint8Array(bomb),
    })
    expect(answer.status).toBe(415)
  })

  it('as large as a circuit of many parts is read where it may be, and not before a sign-in', async () => {
    const parts = Array.from({ length: 900 }, (_, i) => ({
      id: `W${i}`,
      kind: 'wire',
      parameters: { length: 1 },
    }))
    const circuit = JSON.stringify({
      format: 'brachyon-circuit',
      version: 3,
      name: 'Large',
      parts,
      paths: [],
    })
    expect((await send(orla, '/api/circuits', circuit)).body.message.code).toMatch(/notTakenIn/)
    expect((await send(school.visitor() as unknown as TestAgent, '/api/circuits', circuit)).status).toBe(413)
  })

  it('with a number or a day that no column holds is refused, never a fault of the server', async () => {
    const [lesson] = (await orla.get('/api/lessons')).body as { id: string }[]
    const [circuit] = (await orla.get('/api/circuits')).body as { id: string }[]
    const day = {
      name: 'Day',
      day: '2026-11-30',
      class: null,
      body: { start: '08:00', minutes: 45, rounds: 1, stands: [], groups: [], seats: [], out: [] },
    }
    const made = (await orla.post('/api/days').send(day).expect(201)).body as { id: string }
    const gone = '00000000-0000-4000-8000-00000000dead'
    const order = {
      circuit: circuit!.id,
      students: [((await orla.get('/api/students')).body as { id: string }[])[0]!.id],
      complaint: 'It is dim.',
      faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
    }
    const answers = await Promise.all([
      orla.get(`/api/lessons/${lesson!.id}?version=3e9`),
      orla.get(`/api/lessons/${lesson!.id}?version=-1`),
      orla.put(`/api/days/${made.id}`).send({ ...day, revision: 3e9 }),
      orla
        .post(`/api/circuits/${circuit!.id}/edits`)
        .send({ revision: 3e9, edit: { type: 'rename', name: 'x' } }),
      orla.post('/api/days').send({ ...day, day: '0000-01-01' }),
      orla.post('/api/days').send({ ...day, day: '9999-12-31' }),
      orla.post('/api/days').send({ ...day, class: gone }),
      orla.post('/api/orders').send({ ...order, meter: gone }),
      orla.post('/api/questions').send({
        class: gone,
        body: { type: 'volts', circuit: 'c', state: 's', point: 'p' },
      }),
      orla.post(`/api/lessons/${lesson!.id}/orders`).send({ students: [gone], set: 0 }),
      orla.post(`/api/lessons/${lesson!.id}/orders`).send({ students: order.students, set: 900 }),
    ])
    for (const [i, { status, body }] of answers.entries()) {
      expect([404, 409, 422], `${i}: ${JSON.stringify(body)}`).toContain(status)
      expect(body.message.code, String(i)).toMatch(/\./)
    }
    // Nothing of it was kept, and everybody is answered.
    expect((await orla.get('/api/orders').expect(200)).body).toMatchObject({ rows: [], count: 0 })
  })

  it('refused in the middle of a change leaves nobody waiting', async () => {
    const [circuit] = (await orla.get('/api/circuits')).body as { id: string }[]
    const kept = {
      lesson: { name: 'A lesson', folder: '', note: '', frame: {} },
      circuit: circuit!.id,
      set: { name: 'set', faults: [{ kind: 'open', part: 'NONE', segment: 'pin' }], complaint: '' },
    }
    for (let n = 0; n < 3; n++) await orla.post('/api/lessons/kept').send(kept).expect(422)
    await orla.get('/health').expect(200)
    await tam.get('/api/desk').expect(200)
  })
})
