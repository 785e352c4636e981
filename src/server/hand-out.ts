import { say, type NewOrder, type User } from '../contract'
import { rubricDoor } from '../core/assessment'
import { frameDoor, frameSchema, plantedDoor, type Frame } from '../core/attempt'
import type { Circuit } from '../core/circuit'
import type { Fault } from '../core/faults'
import { checkFaults, loadCircuit } from './circuits'
import type { Database, Queries } from './database'
import { makeReady } from './judging'
import { once } from './once'
import { Refusal } from './refusal'
import { currentRubric } from './rubrics'
import type { Workers } from './workers/pool'

/** All that a work order fixes but whose it is: worked out once, handed to as many as it is for. */
export interface ReadyOrder {
  readonly circuit: Circuit
  /** The circuit in the library that it was made of, where it is one. */
  readonly circuitId: string | null
  readonly faults: readonly Fault[]
  readonly frame: Frame
  readonly complaint: string
  readonly meter?: string | undefined
  /** The order that this one is like. */
  readonly likeOf?: string | undefined
  readonly lesson?: string | undefined
  readonly day?: string | undefined
  readonly station?: string | undefined
  readonly round?: number | undefined
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
 * @throws Refusal 422 where a fault does not fit
 */
export async function readyOrder(
  db: Queries,
  workers: Workers,
  order: Omit<NewOrder, 'student' | 'key'>,
  on?: Circuit,
): Promise<ReadyOrder> {
  const circuit = on ?? (await loadCircuit(db, order.circuit)).circuit
  checkFaults(circuit, order.faults)
  const framed = frameSchema.parse({ ...order.frame, ...(order.faults.length > 1 && { faults: 2 }) })
  const complaint = framed.complaint.length
    ? framed.complaint
    : await workers.draft({ circuit, planted: order.faults })
  return {
    circuit,
    circuitId: order.circuit || null,
    faults: order.faults,
    frame: { ...framed, complaint },
    complaint: order.complaint,
    meter: order.meter,
  }
}

/** What was made: for whom, and under which id. */
export interface HandedOut {
  readonly id: string
  readonly student: string
}

/**
 * Hands orders out: all of them or none. Under the same key it is done once, however often it is asked for; who has an
 * order of the same round already gets no second one.
 * @param also what belongs to the same act, in the same transaction
 * @throws Refusal 422 where one of them is no student
 */
export async function handOut(
  database: Database,
  workers: Workers,
  orders: readonly HandOut[],
  instructor: Pick<User, 'id'>,
  {
    key,
    also,
  }: { readonly key?: string | undefined; readonly also?: (tx: Queries) => Promise<unknown> } = {},
): Promise<readonly HandedOut[]> {
  const made = await database.transaction((tx) =>
    once(tx, key === undefined ? undefined : { key, user: instructor }, async () => {
      await expectStudents(tx, orders, instructor)
      const rubric = JSON.stringify(rubricDoor.write(await currentRubric(tx)))
      const all: HandedOut[] = []
      for (const one of orders) all.push(...(await insertOrders(tx, one, instructor, rubric)))
      await also?.(tx)
      return all
    }),
  )
  // Nobody waits for it: a review that comes first works it out itself.
  if (made.length)
    for (const { order } of orders)
      void makeReady(database, workers, { circuit: order.circuit, planted: order.faults, frame: order.frame })
  return made
}

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
  if (known.length !== ids.length) throw new Refusal(422, say('chooseStudent'))
}

const insertOrders = (
  tx: Queries,
  { order, students }: HandOut,
  instructor: Pick<User, 'id'>,
  rubric: string,
): Promise<HandedOut[]> =>
  tx.query<HandedOut>(
    `insert into work_orders (student_id, instructor_id, circuit_id, complaint, document, faults, frame, rubric,
       meter_id, like_of, lesson_id, lab_day_id, station, round)
     select s.id, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14 from unnest($1::uuid[]) s (id)
     on conflict do nothing returning id, student_id as student`,
    [
      students,
      instructor.id,
      order.circuitId,
      order.complaint,
      JSON.stringify(order.circuit),
      JSON.stringify(plantedDoor.write({ list: [...order.faults] })),
      JSON.stringify(frameDoor.write(order.frame)),
      rubric,
      order.meter ?? null,
      order.likeOf ?? null,
      order.lesson ?? null,
      order.day ?? null,
      order.station ?? null,
      order.round ?? null,
    ],
  )
