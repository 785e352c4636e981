import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { startPostgres } from '../../test/postgres.mjs'
import { passwords, startSchool, type School } from '../../test/school'
import { tell } from '../contract/words'
import { defaultFrame, mostSteps, startBench } from '../core/attempt'
import { demoCircuit } from '../../test/demo'
import { Workers } from './workers/pool'

const arrangement = { controls: { S1: 'closed' }, detached: [] as string[] }
const test = {
  type: 'test',
  arrangement,
  instrument: 'volts',
  settings: {},
  held: { type: 'leads', red: 'L1a', black: 'B1-' },
  prediction: { type: 'value', value: 12.3 },
}

describe('a server under strange requests', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let order: string
  const lines: string[] = []

  beforeAll(async () => {
    school = await startSchool({ log: (line) => lines.push(line) })
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    const circuits = (await orla.get('/api/circuits')).body as { id: string; name: string }[]
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    order = (
      await orla.post('/api/orders').send({
        circuit: circuits.find((c) => c.name === 'Work lamp, street sweeper')!.id,
        students: [students.find((s) => s.login === 'tam')!.id],
        complaint: 'The work lamp is dim.',
        faults: [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }],
      })
    ).body.id as string
  }, 60_000)
  afterAll(() => school.close())

  it.each(['a\u0000b', 'half \ud800 pair', '\udc00'])(
    'refuses a text that cannot be kept, with its field: %j',
    async (text) => {
      const named = await orla
        .post('/api/students')
        .send({ login: 'new', name: text, password: 'long enough by far' })
      expect([named.status, named.body.problems[0]?.where]).toEqual([422, 'name'])
      const entered = await school.visitor().post('/api/session').send({ login: text, password: 'x' })
      expect([entered.status, entered.body.problems[0]?.where]).toEqual([422, 'login'])
    },
  )

  it('makes one account where two of the same name come at once', async () => {
    const twin = { login: 'twin', name: 'Twin', password: 'long enough by far' }
    const both = await Promise.all([1, 2, 3].map(() => orla.post('/api/students').send(twin)))
    expect(both.map((one) => one.status).sort()).toEqual([201, 409, 409])
  })

  it('writes neither hashes nor what was typed into its log, whatever fails', async () => {
    await orla.post('/api/students').send({ login: 'twin', name: 'Second Twin', password: 'another secret' })
    await school.database.query('alter table sessions rename to elsewhere')
    await school.visitor().post('/api/session').send({ login: 'tam', password: passwords.tam }).expect(500)
    await school.database.query('alter table elsewhere rename to sessions')
    const log = lines.join('')
    expect(log).toContain('"level":50')
    for (const secret of ['scrypt', 'another secret', 'Second Twin', passwords.tam, 'insert into'])
      expect(log).not.toContain(secret)
  })

  it('answers 404 for what looks like a file and is none, and tells a monitor how it does', async () => {
    for (const path of ['/assets/x', '/assets/none.js', '/a.b', '/robots.txt', '/.env'])
      expect((await school.visitor().get(path)).status, path).toBe(404)
    const health = await school.visitor().get('/health').expect(200)
    expect(health.body).toEqual({ database: 'there' })
  })

  it('refuses lists without bound and steps without end', async () => {
    const many = Array.from({ length: 3000 }, (_, i) => `W${i}`)
    const send = (action: object) => tam.post(`/api/desk/${order}/steps`).send({ key: randomUUID(), action })
    expect((await send({ ...test, arrangement: { ...arrangement, detached: many } })).status).toBe(422)
    expect((await send({ type: 'infer', struck: many, ringed: [] })).status).toBe(422)
    await school.database.query('update work_orders set taken = $2 where id = $1', [order, mostSteps])
    const full = await send(test)
    expect([full.status, tell(full.body.message)]).toEqual([409, expect.stringContaining(String(mostSteps))])
    await school.database.query('update work_orders set taken = 0, bench = null where id = $1', [order])
  })

  it('answers others while a step is worked out', async () => {
    const stepping = tam.post(`/api/desk/${order}/steps`).send({ key: randomUUID(), action: test })
    let answered = 0
    const others = (async () => {
      for (let i = 0; i < 10; i++) {
        await orla.get('/api/session').expect(200)
        answered++
      }
    })()
    const [step] = await Promise.all([stepping, others])
    expect(step.status).toBe(200)
    expect(answered).toBe(10)
  })

  it('keeps a judgement, and makes it anew only when something has changed', async () => {
    const kept = async () =>
      (
        await school.database.query<{ sign: string; at: string }>(
          'select sign, at::text as at from judgements where work_order_id = $1',
          [order],
        )
      )[0]
    await orla.get(`/api/orders/${order}/judgement`).expect(200)
    const first = await kept()
    await orla.get(`/api/orders/${order}/judgement`).expect(200)
    expect(await kept()).toEqual(first)
    await tam
      .post(`/api/desk/${order}/steps`)
      .send({ key: randomUUID(), action: { type: 'infer', struck: ['F1'], ringed: [] } })
      .expect(200)
    await orla.get(`/api/orders/${order}/judgement`).expect(200)
    expect((await kept())!.sign).not.toBe(first!.sign)
  }, 60_000)
})

describe('the workers', () => {
  const order = { circuit: demoCircuit(), planted: [], frame: defaultFrame() }

  it('stop what nobody waits for any more, and go on', async () => {
    const workers = new Workers(1)
    const gone = new AbortController()
    const judging = workers.judge({ order, steps: [], rubric: undefined as never }, { signal: gone.signal })
    gone.abort()
    await expect(judging).rejects.toMatchObject({ status: 503 })
    expect(await workers.start({ order })).toEqual(startBench(order))
    await workers.close()
  })

  it('refuse more than they can hold in plain words', { tags: ['sweep'] }, async () => {
    const workers = new Workers(1)
    // Each another one: the same is asked for once.
    const orders = Array.from({ length: 700 }, (_, n) => ({
      ...order,
      circuit: { ...order.circuit, title: `Circuit ${n}` },
    }))
    const results = await Promise.allSettled(orders.map((each) => workers.start({ order: each })))
    const refused = results.filter((r) => r.status === 'rejected')
    expect(refused.length).toBeGreaterThan(0)
    for (const one of refused) expect(one.reason).toMatchObject({ status: 503 })
    expect(results.some((r) => r.status === 'fulfilled')).toBe(true)
    await workers.close()
  })
})

describe('a PostgreSQL server that goes away', () => {
  it(
    'is waited for: 503 in plain words meanwhile, and on with it afterwards',
    { tags: ['sweep'] },
    async () => {
      const postgres = startPostgres()
      const school = await startSchool({ url: postgres.url })
      try {
        const orla = await school.signedIn('orla', passwords.orla)
        await orla.get('/api/circuits').expect(200)
        postgres.halt()
        await new Promise((resolve) => setTimeout(resolve, 300))
        const away = await orla.get('/api/circuits')
        expect([away.status, away.body.message.code]).toEqual([503, 'school.noDatabase'])
        await orla.get('/health').expect(503)
        postgres.start()
        await orla.get('/api/circuits').expect(200)
      } finally {
        await school.close()
        postgres.stop()
      }
    },
  )
})
