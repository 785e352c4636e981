import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  attemptIdeasSchema,
  circuitListSchema,
  drillItemSchema,
  drillsSchema,
  drillToldSchema,
  heldListSchema,
  ledgerStudentsSchema,
  reteachSchema,
  setDifficultiesSchema,
  lessonListSchema,
  setProgressSchema,
  type DrillItem,
} from '../../contract'
import type { Item } from '../../core/learning'
import { unlearned } from '../judging/results'

const on = { controls: { S1: 'closed' }, detached: [] }
const unplugged = { controls: { S1: 'closed' }, detached: ['L1'] }

describe('learning', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let idris: TestAgent
  let students: { id: string; login: string }[]
  const idOf = (login: string) => students.find((s) => s.login === login)!.id
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    idris = await school.signedIn('idris', passwords.idris)
    students = (await orla.get('/api/students')).body as typeof students
  }, 60_000)
  afterAll(() => school.close())
  const next = async (agent: TestAgent, ask = {}) =>
    drillItemSchema.parse((await agent.post('/api/drills/next').send(ask).expect(201)).body)
  const keyOf = async ({ id }: DrillItem) =>
    (await school.database.query<{ item: Item }>('select item from drill_items where id = $1', [id]))[0]!.item
  /** What the key says. */
  async function rightAnswer(item: DrillItem) {
    const { answer } = await keyOf(item)
    return answer.type === 'choice'
      ? { type: 'choice', option: answer.options.findIndex(({ right }) => right) }
      : { type: 'value', value: answer.value, ...(answer.direction && { direction: answer.direction }) }
  }
  const answer = async (agent: TestAgent, item: DrillItem, given: object) =>
    drillToldSchema.parse((await agent.post(`/api/drills/${item.id}/answer`).send(given).expect(200)).body)

  it('asks without the key, tells at once, and keeps the first answer', async () => {
    const item = await next(tam, { kind: 'unsafe' })
    expect(item.kind).toBe('unsafe')
    const text = JSON.stringify({ ...item, circuit: null })
    for (const secret of ['"right"', '"why"', 'misbelief', 'lures']) expect(text).not.toContain(secret)
    // A reload asks the same again.
    expect((await next(tam, { kind: 'unsafe' })).id).toBe(item.id)
    const right = await rightAnswer(item)
    const told = await answer(tam, item, right)
    expect(told).toMatchObject({ right: true, share: 1, option: (right as { option: number }).option })
    const again = await answer(tam, item, {
      type: 'choice',
      option: ((right as { option: number }).option + 1) % 4,
    })
    expect(again).toEqual(told)
    expect((await next(tam, { kind: 'unsafe' })).id).not.toBe(item.id)
    const { levels, today } = drillsSchema.parse((await tam.get('/api/drills').expect(200)).body)
    expect(today).toBe(1)
    expect(levels.find(({ kind }) => kind === 'unsafe')!.answers).toBe(1)
  })

  it('refuses what is nobody’s, no answer, or no kind', async () => {
    const item = await next(tam, { kind: 'limits' })
    await idris.post(`/api/drills/${item.id}/answer`).send({ type: 'choice', option: 0 }).expect(404)
    await tam.post(`/api/drills/${item.id}/answer`).send({ type: 'value', value: 3 }).expect(422)
    await tam.post(`/api/drills/${item.id}/answer`).send({ type: 'choice', option: 9 }).expect(422)
    await tam.post('/api/drills/next').send({ kind: 'guesswork' }).expect(422)
    await tam.post('/api/drills/next').send({ set: randomUUID() }).expect(422)
    await answer(tam, item, { type: 'choice', option: 0 })
  })

  it('is set for a class by an instructor, who sees who has done it', async () => {
    const { id: group } = (
      await orla.post('/api/classes').send({ name: 'Drillers', term: '2026' }).expect(201)
    ).body as {
      id: string
    }
    await orla
      .post(`/api/classes/${group}/members`)
      .send({ student: idOf('tam') })
      .expect(204)
    const set = {
      class: group,
      name: 'Drops by Thursday',
      kinds: ['limits', 'whichSide'],
      items: 2,
      due: '2099-01-01',
    }
    await tam.post('/api/drills/sets').send(set).expect(403)
    await orla
      .post('/api/drills/sets')
      .send({ ...set, kinds: ['guesswork'] })
      .expect(422)
    const { id } = (await orla.post('/api/drills/sets').send(set).expect(201)).body as { id: string }
    expect(drillsSchema.parse((await tam.get('/api/drills')).body).sets).toMatchObject([
      { id, done: 0, items: 2 },
    ])
    expect(drillsSchema.parse((await idris.get('/api/drills')).body).sets).toEqual([])
    await idris.post('/api/drills/next').send({ set: id }).expect(422)
    // Its kinds are the set's, not the easiest of all.
    await tam.post('/api/drills/next').send({ set: id, kind: 'drawing' }).expect(422)
    const twice = await Promise.all([next(tam, { set: id }), next(tam, { set: id })])
    expect(twice[0].id).toBe(twice[1].id)
    const item = await next(tam, { set: id })
    expect(set.kinds).toContain(item.kind)
    await answer(tam, item, await rightAnswer(item))
    const [seen] = setProgressSchema.parse((await orla.get('/api/drills/sets').expect(200)).body)
    expect(seen).toMatchObject({ id, students: [{ done: 1, right: 1 }] })
    await orla.delete(`/api/drills/sets/${id}`).expect(204)
    // What was answered counts in the records, with less weight, and is said to be of drills.
    const rows = ledgerStudentsSchema.parse((await orla.get('/api/ledger/students')).body).rows
    expect(rows.find((one) => one.id === idOf('tam'))!.drills).toBeGreaterThanOrEqual(3)
  })

  it('finds the wrong idea behind attempts, tells its student what has been released, and forgets it with the student', async () => {
    const circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    const orders: string[] = []
    for (let n = 0; n < 2; n++) {
      const { id } = (
        await orla
          .post('/api/orders')
          .send({
            circuit,
            students: [idOf('idris')],
            complaint: 'The work lamp is dim.',
            faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }],
          })
          .expect(201)
      ).body as { id: string }
      orders.push(id)
      const step = (action: object) =>
        idris.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action }).expect(200)
      await step({ type: 'operate', arrangement: on, says: 'asComplained' })
      // Volts without load, and the feed is called good.
      await step({
        type: 'test',
        arrangement: unplugged,
        instrument: 'volts',
        settings: {},
        held: { type: 'leads', red: 'L1a', black: 'B1−' },
        prediction: { type: 'value', value: 12.6 },
      })
      await step({ type: 'infer', struck: ['F1', 'X1', 'W4', 'W3', 'S1'], ringed: [], note: '' })
      await step({ type: 'conclude', piece: 'G1.foot', kind: 'highResistance', sure: 70 })
      await idris.post(`/api/desk/${id}/finish`).expect(200)
    }
    await school.judge.idle()
    await school.judge.lookForLeft()
    expect(await unlearned(school.database, 10)).toEqual([])
    const ofIdris = async (agent: TestAgent, path: string) =>
      heldListSchema.parse((await agent.get(path).expect(200)).body)
    const [held] = await ofIdris(orla, `/api/ideas/student/${idOf('idris')}`)
    expect(held).toMatchObject({ misbelief: 'voltsMeanFeed', shown: 2, named: true, drill: 'meaning' })
    expect(orders).toContain(held!.order)
    // Before the review is given back its student learns nothing of it.
    expect(await ofIdris(idris, '/api/ideas/mine')).toEqual([])
    await idris.get(`/api/ideas/order/${orders[0]}`).expect(404)
    await idris.get(`/api/ideas/student/${idOf('idris')}`).expect(403)
    await idris.get('/api/ideas/reteach').expect(403)
    for (const id of orders) await orla.put(`/api/orders/${id}/released`).send({ released: true }).expect(200)
    expect(await ofIdris(idris, '/api/ideas/mine')).toMatchObject([{ misbelief: 'voltsMeanFeed' }])
    const behind = attemptIdeasSchema.parse(
      (await idris.get(`/api/ideas/order/${orders[0]}`).expect(200)).body,
    )
    expect(behind).toMatchObject([{ misbelief: 'voltsMeanFeed', shown: 1 }])
    await tam.get(`/api/ideas/order/${orders[0]}`).expect(404)
    const table = reteachSchema.parse((await orla.get('/api/ideas/reteach').expect(200)).body)
    expect(table[0]).toMatchObject({ misbelief: 'voltsMeanFeed', students: [{ id: idOf('idris') }] })
    expect(table[0]!.expected).toBeGreaterThan(0.8)
    // Of what lies in the bin nothing is counted, and all again once it is out.
    const bin = (at: string) =>
      school.database.query(`update work_orders set binned_at = ${at} where id = any($1::uuid[])`, [orders])
    await bin('now()')
    expect((await orla.get('/api/ideas/reteach')).body).toEqual([])
    await bin('null')
    expect((await orla.get('/api/ideas/reteach')).body).toEqual(table)

    await orla.post(`/api/ledger/${idOf('idris')}/erased`).expect(204)
    const left = await school.database.query('select 1 from misbelief_evidence where student_id = $1', [
      idOf('idris'),
    ])
    expect(left).toEqual([])
  }, 90_000)

  it('says how hard the sets of a lesson are, and keeps it for the list', async () => {
    const list = async () => lessonListSchema.parse((await orla.get('/api/lessons')).body)
    const first = (await list())[0]!
    let sets = null
    for (let n = 0; n < 40 && !sets; n++)
      sets = setDifficultiesSchema.parse(
        (await orla.get(`/api/lessons/${first.id}/difficulty`).expect(200)).body,
      ).sets
    expect(sets).toHaveLength(first.sets.length)
    expect(Math.abs(sets![0]!.difficulty)).toBeLessThan(0.3)
    expect(sets![0]!.reasons.length).toBeGreaterThan(1)
    expect((await list())[0]!.difficulties).toEqual(sets!.map((one) => one!.difficulty))
    await tam.get(`/api/lessons/${first.id}/difficulty`).expect(403)
  }, 90_000)
})
