import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { startPostgres } from '../../test/postgres.mjs'
import { passwords, startSchool, type School } from '../../test/school'
import { tell } from '../contract/words'
import {
  circuitListSchema,
  deskSchema,
  reviewSchema,
  rubricListSchema,
  storedCircuitSchema,
  triedRubricSchema,
} from '../contract'
import { judgedSchema } from '../core/assessment'

const planted = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3.1415 }
const on = { controls: { S1: 'closed' }, detached: [] }
describe('the school on a PostgreSQL that is embedded', () => suite('embedded'))
describe('the school on a PostgreSQL that is a server', { tags: ['sweep'] }, () => suite('server'))

function suite(kind: 'embedded' | 'server'): void {
  let postgres: ReturnType<typeof startPostgres> | undefined
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let circuit: string
  let tamId: string

  beforeAll(async () => {
    if (kind === 'server') postgres = startPostgres()
    school = await startSchool({ ...(postgres && { url: postgres.url }) })
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    circuit = circuitListSchema
      .parse((await orla.get('/api/circuits').expect(200)).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    tamId = ((await orla.get('/api/students')).body as { id: string; login: string }[]).find(
      (s) => s.login === 'tam',
    )!.id
  }, 60_000)
  afterAll(async () => {
    await school.close()
    postgres?.stop()
  })

  const handOut = async (complaint = 'The work lamp is dim.') =>
    (
      await orla
        .post('/api/orders')
        .send({ circuit, students: [tamId], complaint, faults: [planted] })
        .expect(201)
    ).body.id as string
  const step = (id: string, action: object, key = randomUUID()) =>
    tam.post(`/api/desk/${id}/steps`).send({ key, action })
  const test = {
    type: 'test',
    arrangement: on,
    instrument: 'volts',
    settings: {},
    held: { type: 'leads', red: 'l1a', black: 'B1-' },
    prediction: { type: 'value', value: 12.3 },
  }

  const leads = (red: string, black: string) => ({ ...test, held: { type: 'leads', red, black } })

  it('lets nobody in without signing in, nor into the other role’s places', async () => {
    for (const path of [
      '/api/circuits',
      '/api/orders',
      '/api/students',
      '/api/desk',
      `/api/circuits/${circuit}`,
    ]) {
      await school.visitor().get(path).expect(401)
    }
    await tam.get('/api/circuits').expect(403)
    await tam.get('/api/orders').expect(403)
    await tam.post('/api/students').send({}).expect(403)
    // An instructor’s own desk holds nothing of a student’s.
    expect((await orla.get('/api/desk').expect(200)).body).toEqual({ rows: [], count: 0, after: null })
  })

  it('refuses a wrong password, and says no more than that', async () => {
    const wrong = await school
      .visitor()
      .post('/api/session')
      .send({ login: 'orla', password: 'x' })
      .expect(401)
    const nobody = await school
      .visitor()
      .post('/api/session')
      .send({ login: 'nobody', password: 'x' })
      .expect(401)
    expect(wrong.body.message).toEqual(nobody.body.message)
  })

  it('keeps the session in a cookie that scripts cannot read, and ends it at sign-out', async () => {
    const answer = await school
      .visitor()
      .post('/api/session')
      .send({ login: 'idris', password: passwords.idris })
    const cookie = String(answer.headers['set-cookie'])
    expect(cookie).toMatch(/HttpOnly/)
    expect(cookie).toMatch(/SameSite=Strict/)
    const visitor = await school.signedIn('idris', passwords.idris)
    await visitor.delete('/api/session').expect(204)
    await visitor.get('/api/desk').expect(401)
  })

  it('takes changes from its own pages only', async () => {
    await orla.post('/api/students').set('Origin', 'http://elsewhere.example').send({}).expect(403)
  })

  it('edits, undoes and redoes, also for a browser that has just come', async () => {
    const before = storedCircuitSchema.parse((await orla.get(`/api/circuits/${circuit}`)).body)
    const edit = { type: 'setParameter', part: 'W3', name: 'length', value: 7 }
    const edited = storedCircuitSchema.parse(
      (
        await orla
          .post(`/api/circuits/${circuit}/edits`)
          .send({ revision: before.revision, edit })
          .expect(200)
      ).body,
    )
    expect(edited.circuit.parts.find((p) => p.id === 'W3')?.parameters.length).toBe(7)
    const fresh = await school.signedIn('orla', passwords.orla)
    const undone = storedCircuitSchema.parse(
      (await fresh.post(`/api/circuits/${circuit}/undo`).expect(200)).body,
    )
    expect(undone.circuit).toEqual(before.circuit)
    expect(undone.redo).toBe(true)
    const again = storedCircuitSchema.parse((await fresh.post(`/api/circuits/${circuit}/redo`)).body)
    expect(again.circuit).toEqual(edited.circuit)
    await fresh.post(`/api/circuits/${circuit}/undo`)
    await fresh.post(`/api/circuits/${circuit}/undo`).expect(409)
  })

  it('refuses an edit on an old revision, or out of range, and changes nothing', async () => {
    const before = (await orla.get(`/api/circuits/${circuit}`)).body
    const send = (revision: number, value: number) =>
      orla
        .post(`/api/circuits/${circuit}/edits`)
        .send({ revision, edit: { type: 'setParameter', part: 'W3', name: 'length', value } })
    await send(before.revision - 1, 3).expect(409)
    const range = await send(before.revision, 5000).expect(422)
    expect(tell(range.body.message)).toBe('Length must lie between 0.01 and 100 m')
    expect((await orla.get(`/api/circuits/${circuit}`)).body).toEqual(before)
  })

  it('refuses a malformed import with what and where, and keeps what it has', async () => {
    const { circuit: doc } = (await orla.get(`/api/circuits/${circuit}`)).body
    const count = (await orla.get('/api/circuits')).body.length
    doc.parts[2].parameters.rating = 4000
    const answer = await orla.post('/api/circuits').send(doc).expect(422)
    expect(answer.body.problems[0].where).toBe('parts[2] (F1).parameters.rating')
    expect(tell(answer.body.problems[0])).toBe('Rating must lie between 1 and 100 A')
    await orla.post('/api/circuits').set('content-type', 'application/json').send('{"format":').expect(400)
    expect((await orla.get('/api/circuits')).body).toHaveLength(count)
  })

  it('refuses a fault that cannot strike there', async () => {
    const answer = await orla
      .post('/api/orders')
      .send({
        circuit,
        students: [tamId],
        complaint: 'It is dark.',
        faults: [{ kind: 'blown', part: 'W1', segment: 'copper' }],
      })
      .expect(422)
    expect(tell(answer.body.message)).toContain('cannot strike')
  })

  it('records each step once, however often it is sent', async () => {
    const id = await handOut()
    const key = randomUUID()
    const first = await step(id, { type: 'operate', arrangement: on }, key).expect(200)
    const again = await step(id, { type: 'operate', arrangement: on }, key).expect(200)
    expect(again.body).toEqual(first.body)
    expect(first.body.step.seen.L1).toBe('dim')
    expect(deskSchema.parse((await tam.get(`/api/desk/${id}`)).body).steps).toHaveLength(1)
  })

  it('takes readings on points by any of their names, and says so when there is no such point', async () => {
    const id = await handOut()
    const good = await step(id, test).expect(200)
    expect(good.body.step).toMatchObject({
      held: { red: 'L1a', black: 'B1−' },
      reading: { unit: 'V' },
    })
    const bad = await step(id, leads('Q7', 'B1-')).expect(422)
    expect(tell(bad.body.message)).toMatch(/There is no point “Q7” for the red lead/)
    const nothing = await step(id, leads('l1a', ' ')).expect(422)
    expect(tell(nothing.body.message)).toMatch(/black lead is on nothing/)
    await step(id, { ...test, arrangement: { controls: { S1: 'ajar' }, detached: [] } }).expect(422)
    expect(deskSchema.parse((await tam.get(`/api/desk/${id}`)).body).steps).toHaveLength(1)
  })

  it('keeps the order of the work: an inference after a reading, a conclusion after at least one, nothing after the end', async () => {
    const id = await handOut()
    await step(id, { type: 'infer', struck: ['F1'], ringed: [] }).expect(409)
    await step(id, { type: 'conclude', piece: 'X2', kind: 'open', sure: 50 }).expect(409)
    await step(id, test).expect(200)
    await step(id, { type: 'infer', struck: ['F1', 'Z1'], ringed: [] }).expect(422)
    await step(id, { type: 'infer', struck: ['F1'], ringed: ['X2'] }).expect(200)
    await tam.post(`/api/desk/${id}/finish`).expect(409)
    await step(id, { type: 'conclude', piece: 'X2', kind: 'corroded', sure: 50 }).expect(200)
    await step(id, { type: 'repair', piece: 'X2', by: 'terminal' }).expect(200)
    await step(id, test).expect(200)
    const desk = deskSchema.parse((await tam.post(`/api/desk/${id}/finish`).expect(200)).body)
    expect(desk.concluded).toBe(true)
    await tam.post(`/api/desk/${id}/finish`).expect(200)
    await step(id, test).expect(409)
  })

  it('gives a review back when the work is finished, and takes it back', async () => {
    const id = await handOut()
    const give = (released: boolean) => orla.put(`/api/orders/${id}/released`).send({ released })
    await step(id, test).expect(200)
    await give(true).expect(409)
    await step(id, { type: 'conclude', piece: 'X2', kind: 'corroded', sure: 50 }).expect(200)
    await tam.post(`/api/desk/${id}/finish`).expect(200)
    for (const path of ['review', 'judgement']) await tam.get(`/api/desk/${id}/${path}`).expect(404)
    await give(true).expect(200)
    const review = reviewSchema.parse((await tam.get(`/api/desk/${id}/review`).expect(200)).body)
    expect(review.faults).toEqual([planted])
    judgedSchema.parse((await tam.get(`/api/desk/${id}/judgement`).expect(200)).body)
    const idris = await school.signedIn('idris', passwords.idris)
    await idris.get(`/api/desk/${id}/review`).expect(404)
    await tam.put(`/api/orders/${id}/released`).send({ released: true }).expect(403)
    await give(false).expect(200)
    await tam.get(`/api/desk/${id}/review`).expect(404)
  }, 30_000)

  it('shows a work order to its own student only', async () => {
    const id = await handOut()
    const idris = await school.signedIn('idris', passwords.idris)
    await idris.get(`/api/desk/${id}`).expect(404)
    await idris.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action: test }).expect(404)
    expect((await idris.get('/api/desk')).body).toMatchObject({ rows: [] })
  })

  it('judges the attempt for the instructor', async () => {
    const id = await handOut()
    await step(id, { type: 'operate', arrangement: on })
    await step(id, test)
    await step(id, { type: 'infer', struck: ['W1', 'F1', 'G1'], ringed: [] })
    const read = async () => reviewSchema.parse((await orla.get(`/api/orders/${id}/review`).expect(200)).body)
    // The steps are there at once; the verdicts are asked for.
    const review = await read()
    expect(review.faults).toEqual([planted])
    expect(review.judged).toBeNull()
    const judged = judgedSchema.parse((await orla.get(`/api/orders/${id}/judgement`).expect(200)).body)
    expect(judged.judgements.map((j) => tell(j.verdict))).toEqual(
      expect.arrayContaining(['verified', 'right', 'follows', 'too early']),
    )
    expect((await read()).judged).toEqual(judged)
  }, 30_000)

  it('hands out the complaint as facts, and keeps what follows from it', async () => {
    const id = await handOut()
    const [row] = await school.database.query<{ frame: { complaint: unknown[] } }>(
      'select frame from work_orders where id = $1',
      [id],
    )
    expect(row!.frame.complaint).toMatchObject([{ part: 'L1', notice: 'dim' }])
    const kept = () => school.database.query('select 1 from prepared')
    await expect.poll(async () => (await kept()).length, { timeout: 20_000 }).toBeGreaterThan(0)
    const before = (await kept()).length
    // The same planted again asks for no more work.
    await handOut()
    await orla.get(`/api/orders/${id}/judgement`).expect(200)
    expect(await kept()).toHaveLength(before)
  }, 60_000)

  it('lets an instructor put a mark in place of the judge’s, with a reason, and take it back', async () => {
    const id = await handOut()
    const put = (body: object) => orla.put(`/api/orders/${id}/overrides`).send(body)
    await put({ aspect: 'conclusion', points: 18, note: '' }).expect(422)
    await put({ aspect: 'conclusion', points: -1, note: 'too harsh' }).expect(422)
    await put({ aspect: 'looks', points: 3, note: 'neat' }).expect(422)
    const set = await put({ aspect: 'conclusion', points: 18, note: 'explained it well' }).expect(200)
    expect(set.body).toEqual([{ aspect: 'conclusion', points: 18, note: 'explained it well' }])
    const review = reviewSchema.parse((await orla.get(`/api/orders/${id}/review`).expect(200)).body)
    expect(review.overrides).toHaveLength(1)
    expect((await put({ aspect: 'conclusion', points: null, note: '' }).expect(200)).body).toEqual([])
    await tam.put(`/api/orders/${id}/overrides`).send({}).expect(403)
  })

  it('marks by the rubric of its hand-out: a new version is for what comes after', async () => {
    const old = await handOut()
    const { versions } = rubricListSchema.parse((await orla.get('/api/rubrics').expect(200)).body)
    const rubric = { ...versions[0]!.rubric, weights: { ...versions[0]!.rubric.weights, efficiency: 30 } }
    const keep = (after: number) => orla.post('/api/rubrics').send({ rubric, after })
    const { version } = versions[0]!.rubric
    expect((await keep(version).expect(201)).body).toMatchObject({ version: version + 1 })
    // Somebody else has kept one meanwhile.
    await keep(version).expect(409)
    const fresh = await handOut()
    const of = async (id: string) =>
      judgedSchema.parse((await orla.get(`/api/orders/${id}/judgement`).expect(200)).body).of
    expect((await of(fresh)) - (await of(old))).toBe(20)
    await orla
      .post('/api/rubrics')
      .send({ rubric: { ...rubric, slip: 3 }, after: version + 1 })
      .expect(422)
    await tam.get('/api/rubrics').expect(403)
  }, 60_000)

  it('shows the effect of a rubric on the sample and on an attempt, and keeps nothing of it', async () => {
    const id = await handOut()
    await step(id, { type: 'operate', arrangement: on })
    await step(id, test)
    const { versions } = rubricListSchema.parse((await orla.get('/api/rubrics').expect(200)).body)
    const { rubric } = versions[0]!
    const attempt = async (weights: object, order?: string) =>
      triedRubricSchema.parse(
        (
          await orla
            .post('/api/rubrics/try')
            .send({
              rubric: { ...rubric, weights: { ...rubric.weights, ...weights } },
              ...(order && { order }),
            })
            .expect(200)
        ).body,
      )
    const usual = await attempt({})
    expect(usual.total).toBeGreaterThan(80)
    expect((await attempt({ conclusion: 100 })).total).toBeGreaterThan(usual.total)
    expect((await attempt({}, id)).total).toBeLessThan(usual.total)
    expect((await orla.get('/api/rubrics')).body).toEqual({
      versions: JSON.parse(JSON.stringify(versions)) as unknown,
    })
  }, 60_000)

  it('never tells a student what was planted', async () => {
    const id = await handOut()
    const said: string[] = []
    const hear = (answer: { text: string }) => said.push(answer.text)
    hear(await tam.get('/api/session'))
    hear(await tam.get('/api/desk'))
    hear(await tam.get(`/api/desk/${id}`))
    hear(await step(id, { type: 'operate', arrangement: on }))
    hear(await step(id, test))
    hear(await step(id, { type: 'infer', struck: ['F1'], ringed: [] }))
    hear(await step(id, leads('nowhere', 'B1-')))
    hear(await tam.get(`/api/orders/${id}/review`))
    hear(await tam.get(`/api/orders/${id}/judgement`))
    hear(await tam.get(`/api/desk/${id}/review`))
    hear(await tam.get(`/api/desk/${id}/judgement`))
    hear(await step(id, { type: 'repair', piece: 'X2', by: 'reseat' }))
    hear(await tam.get('/api/rubrics'))
    hear(await tam.get(`/api/circuits/${circuit}`))
    hear(await tam.get(`/api/desk/${id}`))
    const all = said.join('\n')
    expect(all).toContain('L1a')
    for (const secret of [
      'corroded',
      'severity',
      '3.1415',
      '"faults":[',
      'segment',
      'hypothes',
      'judge',
      'suspects"',
    ]) {
      expect(all).not.toContain(secret)
    }
  })
}

describe('a school that is not set up yet', () => {
  it('lets the first instructor in once, and nobody after', async () => {
    const school = await startSchool({ demo: false })
    const account = { login: 'head', name: 'Head of Shop', password: 'long enough by far' }
    expect((await school.visitor().get('/api/session')).body).toMatchObject({ user: null, setUp: true })
    await school
      .visitor()
      .post('/api/set-up')
      .send({ ...account, password: 'short' })
      .expect(422)
    await school.visitor().post('/api/set-up').send(account).expect(201)
    await school
      .visitor()
      .post('/api/set-up')
      .send({ ...account, login: 'second' })
      .expect(403)
    expect((await school.visitor().get('/api/session')).body.setUp).toBe(false)
    const head = await school.signedIn('head', 'long enough by far')
    const student = { login: 'first', name: 'First Student', password: 'also long enough yes' }
    await head.post('/api/students').send(student).expect(201)
    await head.post('/api/students').send(student).expect(409)
    await school.signedIn('first', student.password)
    await school.close()
  })

  it('logs requests without passwords, cookies or bodies', async () => {
    const lines: string[] = []
    const school = await startSchool({ log: (line) => lines.push(line) })
    const orla = await school.signedIn('orla', passwords.orla)
    await orla.get('/api/circuits')
    const log = lines.join('')
    expect(log).toContain('/api/circuits')
    expect(log).not.toContain(passwords.orla)
    expect(log).not.toMatch(/cookie|brachyon_session/i)
    await school.close()
  })
})
