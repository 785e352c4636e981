import type { Acknowledged, Desk, DeskAction, DeskList, NewOrder, OrderRow, User } from '../contract'
import {
  defaultRubric,
  measure,
  observe,
  recordReading,
  type Arrangement,
  type Rubric,
  type Step,
} from '../core/assessment'
import type { Circuit } from '../core/circuit'
import { partOfKind } from '../core/parts'
import { Predictor } from '../core/diagnosis'
import type { Fault } from '../core/faults'
import { checkFaults, loadCircuit } from './circuits'
import type { Database, Queries } from './database'
import { Refusal } from './refusal'

const iso = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`

export interface Order {
  id: string
  document: Circuit
  faults: Fault[]
  rubric: Rubric
  complaint: string
  student_id: string
  created: string
  concluded: string | null
}

/** Hands a planted circuit out. Circuit, faults and rubric are copied: later edits do not reach it. */
export async function addOrder(db: Queries, order: NewOrder, instructor: User): Promise<string> {
  const { circuit } = await loadCircuit(db, order.circuit)
  checkFaults(circuit, order.faults)
  const known = await db.query(`select 1 from users where id = $1 and role = 'student'`, [order.student])
  if (!known.length) throw new Refusal(422, 'Choose a student of the class')
  const [row] = await db.query<{ id: string }>(
    `insert into work_orders (circuit_id, student_id, instructor_id, complaint, document, faults, rubric)
     values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [
      order.circuit,
      order.student,
      instructor.id,
      order.complaint,
      JSON.stringify(circuit),
      JSON.stringify(order.faults),
      JSON.stringify(defaultRubric),
    ],
  )
  return row!.id
}

export const listOrders = (db: Queries): Promise<OrderRow[]> =>
  db.query(
    `select o.id, o.document->>'name' as circuit, o.complaint, u.name as student, ${iso('o.created_at')} as created,
       ${iso('o.concluded_at')} as concluded,
       (select count(*)::int from steps s where s.work_order_id = o.id and s.body->>'type' = 'test') as tests
     from work_orders o join users u on u.id = o.student_id order by o.created_at desc`,
  )

export async function loadOrder(db: Queries, id: string): Promise<Order> {
  const [order] = await db.query<Order>(
    `select id, document, faults, rubric, complaint, student_id, ${iso('created_at')} as created,
       ${iso('concluded_at')} as concluded from work_orders where id = $1`,
    [id],
  )
  if (!order) throw new Refusal(404, 'There is no such work order')
  return order
}

export const loadSteps = (db: Queries, id: string): Promise<{ at: string; step: Step }[]> =>
  db.query(`select ${iso('at')} as at, body as step from steps where work_order_id = $1 order by position`, [
    id,
  ])

/** A student's own orders. The columns are named one by one: what was planted is not among them. */
export const deskList = (db: Queries, student: User): Promise<DeskList> =>
  db.query(
    `select id, document->>'name' as circuit, complaint, ${iso('created_at')} as created, ${iso('concluded_at')} as concluded
     from work_orders where student_id = $1 order by created_at desc`,
    [student.id],
  )

async function ownOrder(db: Queries, id: string, student: User): Promise<Order> {
  const order = await loadOrder(db, id)
  // The same words as for one that does not exist: whose it is is nobody's business.
  if (order.student_id !== student.id) throw new Refusal(404, 'There is no such work order')
  return order
}

export async function loadDesk(db: Queries, id: string, student: User): Promise<Desk> {
  const order = await ownOrder(db, id, student)
  const steps = await loadSteps(db, id)
  return {
    id: order.id,
    complaint: order.complaint,
    circuit: order.document,
    steps: steps.map(({ step }) => step),
    concluded: order.concluded !== null,
  }
}

/** Takes one step of a student: computes what it shows on the faulted board, and records it before answering. */
export async function takeStep(
  database: Database,
  id: string,
  student: User,
  { key, action }: DeskAction,
): Promise<Acknowledged> {
  return database.transaction(async (db) => {
    await db.query('select 1 from work_orders where id = $1 for update', [id])
    const order = await ownOrder(db, id, student)
    const [known] = await db.query<Acknowledged>(
      'select position, body as step from steps where work_order_id = $1 and key = $2',
      [id, key],
    )
    if (known) return known
    if (order.concluded !== null)
      throw new Refusal(409, 'This work order is concluded: nothing can be added to it')
    const before = await loadSteps(db, id)
    const step = perform(
      order,
      before.map((row) => row.step),
      action,
    )
    const position = before.length
    await db.query('insert into steps (work_order_id, position, key, body) values ($1, $2, $3, $4)', [
      id,
      position,
      key,
      JSON.stringify(step),
    ])
    if (step.type === 'conclude')
      await db.query('update work_orders set concluded_at = now() where id = $1', [id])
    return { position, step }
  })
}

function perform(order: Order, before: readonly Step[], action: DeskAction['action']): Step {
  const { document: circuit, faults } = order
  switch (action.type) {
    case 'operate': {
      checkArrangement(circuit, action.arrangement)
      const seen = observe(circuit, faults, action.arrangement)
      if (!seen) throw new Refusal(422, 'The circuit settles in no steady state like this')
      return { ...action, seen }
    }
    case 'test': {
      checkArrangement(circuit, action.arrangement)
      const taken = measure(
        new Predictor(circuit),
        faults,
        action.arrangement,
        action.function,
        action.red,
        action.black,
      )
      if (!taken.ok) throw new Refusal(422, taken.message)
      const { red, black } = taken
      return { ...action, red, black, reading: recordReading(taken.reading) }
    }
    case 'infer':
      if (before[before.length - 1]?.type !== 'test')
        throw new Refusal(409, 'An inference follows a reading: take one first')
      checkParts(circuit, [...action.cleared, ...action.suspect])
      return action
    case 'conclude':
      if (!before.some((step) => step.type === 'test'))
        throw new Refusal(409, 'Take at least one reading before you conclude')
      checkParts(circuit, [action.part])
      return action
  }
}

function checkArrangement(circuit: Circuit, { controls, detached, wiggled = [] }: Arrangement): void {
  const kinds = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  for (const [id, position] of Object.entries(controls)) {
    const positions = kinds.get(id)?.positions ?? []
    if (!positions.includes(position))
      throw new Refusal(422, `${id} has no position “${position}”: it has ${positions.join(', ') || 'none'}`)
  }
  for (const id of detached) {
    if (!kinds.get(id)?.detach) throw new Refusal(422, `${id} cannot be unplugged, pulled or lifted`)
  }
  checkParts(circuit, wiggled)
}

function checkParts(circuit: Circuit, ids: readonly string[]): void {
  const known = new Set(circuit.parts.map((part) => part.id))
  const stranger = ids.find((id) => !known.has(id))
  if (stranger) throw new Refusal(422, `There is no part ${stranger} in this circuit`)
}
