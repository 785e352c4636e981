import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { randomUUID } from 'node:crypto'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { circuitListSchema } from '../../contract'
import { judgedBy, judgementOf, keptJudgement, makeReady, prepared } from '.'
import { loadOrder, loadSteps } from '../orders/orders'
import type { Workers } from '../workers/pool'

describe('what has been judged', () => {
  let school: School
  let tam: TestAgent
  let id: string
  const on = { controls: { S1: 'closed' }, detached: [] }
  const step = (action: object) =>
    tam.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action }).expect(200)

  beforeAll(async () => {
    school = await startSchool()
    const orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    const circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const student = students.find((s) => s.login === 'tam')!.id
    const faults = [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }]
    const order = { circuit, students: [student], complaint: 'The work lamp is dim.', faults }
    id = ((await orla.post('/api/orders').send(order).expect(201)).body as { id: string }).id
    await tam.get(`/api/desk/${id}`).expect(200)
    await step({ type: 'operate', arrangement: on, says: 'asComplained' })
  }, 60_000)
  afterAll(() => school.close())
  afterEach(() => void vi.restoreAllMocks())

  const now = async () => {
    const order = await loadOrder(school.database, id)
    const steps = (await loadSteps(school.database, id)).map((kept) => kept.step)
    return { order, steps }
  }
  const judge = async () => {
    const { order, steps } = await now()
    return judgementOf(school.database, school.workers, order, steps)
  }

  it('is kept: whoever asks again waits for no judge, and reads the same', async () => {
    const first = await judge()
    const asked = vi.spyOn(school.workers, 'judge')
    expect(await judge()).toEqual(first)
    expect(asked).not.toHaveBeenCalled()
  })

  it('is judged anew after the next step, and kept in its place', async () => {
    const before = await judge()
    await step({
      type: 'test',
      arrangement: on,
      instrument: 'volts',
      settings: {},
      held: { type: 'leads', red: 'X2a', black: 'X2b' },
      prediction: { type: 'value', value: 3 },
    })
    const { order, steps } = await now()
    expect(await keptJudgement(school.database, order, steps)).toBe(null)
    const after = await judge()
    expect(after.suspects.length).toBe(before.suspects.length + 1)
    expect(await keptJudgement(school.database, order, steps)).toEqual(after)
    const rows = await school.database.query('select 1 from judgements where work_order_id = $1', [id])
    expect(rows).toHaveLength(1)
  })

  it('by another rubric is another judgement, and nothing of it is kept', async () => {
    const { order, steps } = await now()
    const own = await judge()
    const { rubric } = order
    const other = { ...rubric, weights: { ...rubric.weights, safety: 0 } }
    await judgedBy(school.database, school.workers, order, steps, other)
    expect(await keptJudgement(school.database, order, steps)).toEqual(own)
    expect(await keptJudgement(school.database, { ...order, rubric: other }, steps)).toBe(null)
  })

  it('is not believed where it cannot be read: it is judged anew', async () => {
    const own = await judge()
    await school.database.query(`update judgements set body = '{"total": "high"}' where work_order_id = $1`, [
      id,
    ])
    const { order, steps } = await now()
    expect(await keptJudgement(school.database, order, steps)).toBe(null)
    expect(await judge()).toEqual(own)
  })

  it('starts from what is believed after the complaint, which is worked out once for all who get that work', async () => {
    const { order } = await now()
    const first = await prepared(school.database, school.workers, order, order.rubric)
    const asked = vi.spyOn(school.workers, 'prepare')
    expect(await prepared(school.database, school.workers, order, order.rubric)).toEqual(first)
    expect(asked).not.toHaveBeenCalled()
    // Another bag of instruments is another beginning.
    const frame = { ...order.frame, bag: order.frame.bag.slice(0, 1) }
    await prepared(school.database, school.workers, { ...order, frame }, order.rubric)
    expect(asked).toHaveBeenCalledTimes(1)
  })

  it('is readied in peace: a judge that fails then is nobody’s trouble', async () => {
    const { order } = await now()
    const failing = {
      makeReady: () => Promise.reject(new Error('no')),
      prepare: () => Promise.reject(new Error('no')),
    }
    await expect(makeReady(school.database, failing as unknown as Workers, order)).resolves.toBeUndefined()
  })
})
