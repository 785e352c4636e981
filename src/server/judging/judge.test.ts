import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  circuitListSchema,
  courseSchema,
  floorSchema,
  judgingStateSchema,
  reviewSchema,
  type Review,
} from '../../contract'
import { Judge } from '.'
import { engineDigest } from './judgements'

const on = { controls: { S1: 'closed' }, detached: [] }

describe('the judge', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let circuit: string
  let student: string
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    student = students.find((s) => s.login === 'tam')!.id
  }, 60_000)
  afterAll(() => school.close())

  async function handOut(): Promise<string> {
    const order = {
      circuit,
      students: [student],
      complaint: 'The work lamp is dim.',
      faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
    }
    return ((await orla.post('/api/orders').send(order).expect(201)).body as { id: string }).id
  }
  const step = (id: string, action: object) =>
    tam.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action }).expect(200)
  const measure = (id: string, red: string, black: string) =>
    step(id, {
      type: 'test',
      arrangement: on,
      instrument: 'volts',
      settings: {},
      held: { type: 'leads', red, black },
      prediction: { type: 'value', value: 0.02 },
    })
  async function work(): Promise<string> {
    const id = await handOut()
    await step(id, { type: 'operate', arrangement: on, says: 'asComplained' })
    await measure(id, 'X2a', 'X2b')
    await step(id, { type: 'conclude', piece: 'X2', kind: 'highResistance', sure: 90 })
    await tam.post(`/api/desk/${id}/finish`).expect(200)
    return id
  }
  const review = async (id: string): Promise<Review> =>
    reviewSchema.parse((await orla.get(`/api/orders/${id}/review`).expect(200)).body)
  const courseRow = async (id: string) =>
    courseSchema
      .parse((await orla.get(`/api/ledger/${student}`).expect(200)).body)
      .rows.find((row) => row.id === id)
  /** As if another engine had judged it, and given so many points less. */
  async function byAnother(id: string, points: number): Promise<void> {
    await school.database.query(
      `update attempt_results set engine = 'another', total = total - $2, mark = mark - $2,
         marks = jsonb_set(marks, '{0,points}', to_jsonb((marks->0->>'points')::float8 - $2)) where work_order_id = $1`,
      [id, points],
    )
    await school.database.query(
      `update judgements set body = jsonb_set(body, '{total}', to_jsonb((body->>'total')::float8 - $2)) where work_order_id = $1`,
      [id, points],
    )
  }
  const lookForLeft = async () => {
    const judge = new Judge(school.database, school.workers)
    await judge.lookForLeft()
    await judge.close()
    // Whoever holds the lease holds it no longer.
    await school.database.query(`delete from facts where name = 'judging left work'`)
  }

  it('follows the steps as they come: the Floor has what it makes of them, and asks nobody', async () => {
    const id = await handOut()
    await step(id, { type: 'operate', arrangement: on, says: 'asComplained' })
    await measure(id, 'X2a', 'X2b')
    await school.judge.idle()
    const asked = vi.spyOn(school.workers, 'judge')
    const { rows } = floorSchema.parse((await orla.get('/api/floor').expect(200)).body)
    const row = rows.find((one) => one.id === id)!
    expect(row.left).toHaveLength(2)
    expect(row.left![1]).toBeLessThan(row.left![0]!)
    expect(asked).not.toHaveBeenCalled()
    asked.mockRestore()
    await orla.delete(`/api/orders/${id}`).expect(204)
  })

  it('has the boards of the next step solved while the work goes on, and none once it is finished', async () => {
    const ahead = vi.spyOn(school.workers, 'solveAhead')
    const id = await handOut()
    await step(id, { type: 'operate', arrangement: on, says: 'asComplained' })
    await school.judge.idle()
    expect(ahead.mock.calls.map(([task]) => [task.id, task.steps.length])).toEqual([[id, 1]])
    ahead.mockClear()
    // That it could not be done is nothing to the step, nor to its judgement.
    ahead.mockRejectedValueOnce(new Error('no'))
    await measure(id, 'X2a', 'X2b')
    await school.judge.idle()
    expect(ahead).toHaveBeenCalledOnce()
    await step(id, { type: 'conclude', piece: 'X2', kind: 'highResistance', sure: 90 })
    await school.judge.idle()
    ahead.mockClear()
    await tam.post(`/api/desk/${id}/finish`).expect(200)
    await school.judge.idle()
    expect(ahead).not.toHaveBeenCalled()
    ahead.mockRestore()
    expect((await review(id)).judged!.suspects).toHaveLength(3)
  })

  it('has judged finished work before its review is opened: it is read, and so is its result', async () => {
    const id = await work()
    await school.judge.idle()
    const asked = vi.spyOn(school.workers, 'judge')
    const { judged } = await review(id)
    expect(judged!.suspects).toHaveLength(3)
    const row = (await courseRow(id))!
    expect(row).toMatchObject({ right: true, tests: 1 })
    expect(row.total).toBeCloseTo((100 * judged!.total) / judged!.of, 6)
    expect(asked).not.toHaveBeenCalled()
    asked.mockRestore()
  })

  it('finds finished work that was left when a server ended', async () => {
    const id = await work()
    await school.judge.idle()
    for (const table of ['judgements', 'attempt_results'])
      await school.database.query(`delete from ${table} where work_order_id = $1`, [id])
    await school.database.query(
      `update work_orders set judged_at = null, concluded_at = concluded_at - interval '1 minute' where id = $1`,
      [id],
    )
    expect(await courseRow(id)).toBe(undefined)
    await lookForLeft()
    expect(await courseRow(id)).toMatchObject({ right: true })
    expect((await review(id)).judged).not.toBe(null)
  })

  it('judges anew what an older engine has judged, says how far it is, and changes no mark that was given back', async () => {
    const [open, given] = [await work(), await work()]
    await school.judge.idle()
    await orla.put(`/api/orders/${given}/released`).send({ released: true }).expect(200)
    const mark = (await courseRow(open))!.total
    for (const id of [open, given]) await byAnother(id, 5)
    expect((await courseRow(given))!.total).toBeCloseTo(mark - 5, 6)
    const state = async () =>
      judgingStateSchema.parse((await orla.get('/api/ledger/judging').expect(200)).body)
    const before = await state()
    expect(before.all - before.done).toBe(2)
    await lookForLeft()
    expect(await state()).toEqual({ all: 0, done: 0, waiting: 1 })
    expect((await courseRow(open))!.total).toBeCloseTo(mark, 6)
    // What its student was told stands, and the instructor is told of it.
    expect((await courseRow(given))!.total).toBeCloseTo(mark - 5, 6)
    const shown = await review(given)
    expect(shown.newerMark).toBeCloseTo(mark, 6)
    expect(shown.judged!.total).toBeCloseTo((await review(open)).judged!.total - 5, 6)
    const own = reviewSchema.parse((await tam.get(`/api/desk/${given}/review`).expect(200)).body)
    expect([own.newerMark, own.markedAnew]).toEqual([null, null])
    // Looked at again, it waits still: nobody is asked twice.
    await lookForLeft()
    expect((await state()).waiting).toBe(1)
    await tam.post(`/api/orders/${given}/rejudged`).send({ taken: true }).expect(403)
    const settled = reviewSchema.parse(
      (await orla.post(`/api/orders/${given}/rejudged`).send({ taken: true }).expect(200)).body,
    )
    expect(settled.newerMark).toBe(null)
    expect(settled.markedAnew!.before).toBeCloseTo(mark - 5, 6)
    expect((await courseRow(given))!.total).toBeCloseTo(mark, 6)
    const told = reviewSchema.parse((await tam.get(`/api/desk/${given}/review`).expect(200)).body)
    expect(told.markedAnew!.before).toBeCloseTo(mark - 5, 6)
    expect((await state()).waiting).toBe(0)
    await orla.post(`/api/orders/${given}/rejudged`).send({ taken: true }).expect(404)
  }, 30_000)

  it('leaves a mark that was given back where the instructor says so, and does not ask again', async () => {
    const id = await work()
    await school.judge.idle()
    await orla.put(`/api/orders/${id}/released`).send({ released: true }).expect(200)
    const mark = (await courseRow(id))!.total
    await byAnother(id, 3)
    await lookForLeft()
    await orla.post(`/api/orders/${id}/rejudged`).send({ taken: false }).expect(200)
    await lookForLeft()
    const shown = await review(id)
    expect([shown.newerMark, shown.markedAnew]).toEqual([null, null])
    expect((await courseRow(id))!.total).toBeCloseTo(mark - 3, 6)
  })

  it('takes work of before there were results as it was given back, and looks at it anew only then', async () => {
    const id = await work()
    await school.judge.idle()
    await orla.put(`/api/orders/${id}/released`).send({ released: true }).expect(200)
    const mark = (await courseRow(id))!.total
    await byAnother(id, 4)
    await school.database.query('delete from attempt_results where work_order_id = $1', [id])
    await school.database.query(`update judgements set sign = 'of before' where work_order_id = $1`, [id])
    await school.database.query(
      `update work_orders set judged_at = null, concluded_at = concluded_at - interval '1 minute' where id = $1`,
      [id],
    )
    await lookForLeft()
    expect((await courseRow(id))!.total).toBeCloseTo(mark - 4, 6)
    expect((await review(id)).newerMark).toBeCloseTo(mark, 6)
    const [row] = await school.database.query<{ engine: string }>(
      'select engine from attempt_results where work_order_id = $1',
      [id],
    )
    expect(row!.engine).toBe(engineDigest)
  })

  it('is one process at a time where old work is judged', async () => {
    const [mine, others] = [
      new Judge(school.database, school.workers),
      new Judge(school.database, school.workers),
    ]
    await mine.lookForLeft()
    const asked = vi.spyOn(school.database, 'query')
    await others.lookForLeft()
    expect(asked).toHaveBeenCalledTimes(1)
    asked.mockRestore()
    await Promise.all([mine.close(), others.close()])
  })
})
