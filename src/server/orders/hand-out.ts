import { say } from '../../core/document'
import { type NewOrder, type User } from '../../contract'
import type { Rubric } from '../../core/assessment'
import { checkComplaint, frameSchema, type Frame } from '../../core/attempt'
import { isInBody, sparesOf } from '../../core/board'
import { tooLargeToJudge } from '../../core/diagnosis'
import type { Circuit } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import { checkFaults, loadCircuit } from '../circuits/circuits'
import type { Database, Queries } from '../database'
import { makeReady } from '../judging'
import { once } from '../http/once'
import { insertOrders, load, type ExamPlace, type NewRow } from './orders'
import { HttpError } from '../http/http-error'
import { currentRubric } from './rubrics'
import type { Workers } from '../workers/pool'

/** All that a work order fixes but whose it is: worked out once, handed to as many as it is for. */
export interface ReadyOrder {
  readonly circuit: Circuit
  /** The circuit in the library that it was made of, where it is one. */
  readonly circuitId: string | null
  readonly faults: readonly Fault[]
  readonly spares?: readonly Fault[] | undefined
  readonly frame: Frame
  readonly complaint: string
  readonly meter?: string | undefined
  /** From when its students have it. */
  readonly opens?: string | undefined
  /** The order that this one is like. */
  readonly likeOf?: string | undefined
  readonly lesson?: string | undefined
  readonly day?: string | undefined
  readonly station?: string | undefined
  readonly round?: number | undefined
  readonly exam?: ExamPlace | undefined
}

/** One order and everybody who gets it. */
export interface HandOut {
  readonly order: ReadyOrder
  readonly students: readonly string[]
}

/**
 * Works out what an order fixes: circuit, faults, frame and the complaint's facts, all copied, so that later edits do not
 * reach it. Takes its time, and changes nothing.
 * @param on the circuit itself, where it is not one of the library
 * @throws HttpError 422 where a fault does not fit, the complaint names what the circuit has not, or it is too large to judge
 */
export async function readyOrder(
  db: Queries,
  workers: Workers,
  order: Omit<NewOrder, 'students' | 'key'>,
  on?: Circuit,
): Promise<ReadyOrder> {
  const circuit = on ?? (await loadCircuit(db, order.circuit)).circuit
  checkFaults(circuit, order.faults)
  checkSpares(circuit, order.spares)
  const framed = frameSchema.parse({ ...order.frame, ...(order.faults.length > 1 && { faults: 2 }) })
  const strange = checkComplaint(circuit, framed.complaint)
  if (strange) throw new HttpError(422, strange)
  const large = tooLargeToJudge(circuit, order.faults, framed.faults)
  if (large) throw new HttpError(422, large)
  const complaint = framed.complaint.length
    ? framed.complaint
    : await workers.draft({ circuit, planted: order.faults })
  return {
    circuit,
    circuitId: order.circuit || null,
    faults: order.faults,
    spares: order.spares,
    frame: { ...framed, complaint },
    complaint: order.complaint,
    meter: order.meter,
    opens: order.opens,
  }
}

/** A spare has its fault in itself, and lies in the box. */
function checkSpares(circuit: Circuit, spares: readonly Fault[] = []): void {
  checkFaults(circuit, spares)
  const kept = sparesOf(circuit)
  for (const fault of spares)
    if (!kept.includes(fault.part) || !isInBody(circuit, fault))
      throw new HttpError(422, say('attempt.noSpare', { id: fault.part, spares: kept }))
}

/** What was made: for whom, and under which id. */
export interface HandedOut {
  readonly id: string
  readonly student: string
}

/**
 * Hands orders out: all of them or none. Under the same key it is done once, however often it is asked for; who has an
 * order of the same round already gets no second one.
 * @param before what the orders belong to, made first in the same transaction; `also` what belongs to the same act
 * @throws HttpError 422 where one of them is no student
 */
export async function handOut(
  database: Database,
  workers: Workers,
  orders: readonly HandOut[],
  instructor: Pick<User, 'id'>,
  {
    key,
    before,
    also,
  }: {
    readonly key?: string | undefined
    readonly before?: (tx: Queries) => Promise<unknown>
    readonly also?: (tx: Queries) => Promise<unknown>
  } = {},
): Promise<readonly HandedOut[]> {
  const made = await database.transaction((tx) =>
    once(tx, key === undefined ? undefined : { key, user: instructor }, async () => {
      await before?.(tx)
      await expectStudents(tx, orders, instructor)
      const rubric = await currentRubric(tx)
      const all: HandedOut[] = []
      for (const one of orders)
        all.push(...(await insertOrders(tx, one.students, instructor.id, rowOf(one.order, rubric))))
      await also?.(tx)
      return all
    }),
  )
  // Nobody waits for it: a review that comes first works it out itself.
  if (made.length) {
    const rubric = await currentRubric(database)
    for (const { order } of orders)
      void makeReady(database, workers, {
        circuit: order.circuit,
        planted: order.faults,
        spares: order.spares ?? [],
        frame: order.frame,
        rubric,
      })
  }
  return made
}

const rowOf = (order: ReadyOrder, rubric: Rubric): NewRow => ({
  circuitId: order.circuitId,
  circuit: order.circuit,
  complaint: order.complaint,
  faults: order.faults,
  spares: order.spares ?? [],
  frame: order.frame,
  rubric,
  meter: order.meter ?? null,
  opens: order.opens ?? null,
  likeOf: order.likeOf ?? null,
  lesson: order.lesson ?? null,
  day: order.day ?? null,
  station: order.station ?? null,
  round: order.round ?? null,
  exam: order.exam ?? null,
})

/** An instructor may work an order of their own: to try it out, or at a real board on the bench. */
async function expectStudents(
  tx: Queries,
  orders: readonly HandOut[],
  instructor: Pick<User, 'id'>,
): Promise<void> {
  const ids = [...new Set(orders.flatMap(({ students }) => students))]
  const known = await tx.query(
    `select 1 from users where id = any($1::uuid[]) and (role = 'student' or id = $2)`,
    [ids, instructor.id],
  )
  if (known.length !== ids.length) throw new HttpError(422, say('school.chooseStudent'))
}

/** Boards of orders that a restart interrupted are solved again before somebody asks, the newest first; a day's worth. */
export async function readyAgain(db: Queries, workers: Workers): Promise<number> {
  const open = await db.query<{ id: string }>(
    `select id from (
       select distinct on (document, faults, frame) id, created_at from current_orders
       where concluded_at is null and created_at > now() - interval '1 day'
       order by document, faults, frame, created_at desc) one
     order by created_at desc limit 12`,
  )
  for (const { id } of open) {
    await makeReady(db, workers, await load(db, id))
  }
  return open.length
}
