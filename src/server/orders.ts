import { createHash } from 'node:crypto'
import {
  mostOrders,
  say,
  type Acknowledged,
  type Desk,
  type DeskAction,
  type DeskList,
  type NewOrder,
  type OrderRow,
  type User,
} from '../contract'
import {
  engineVersion,
  judgedSchema,
  rubricDoor,
  type Aspect,
  type JudgedAttempt,
  type Prepared,
  type Rubric,
} from '../core/assessment'
import {
  asSeen,
  benchOf,
  frameDoor,
  frameSchema,
  mostSteps,
  plantedDoor,
  stepDoor,
  type Bench,
  type Order as OrderOfCore,
  type Step,
} from '../core/attempt'
import { say as attemptSay } from '../core/attempt/phrases'
import { readCircuit, type Circuit } from '../core/circuit'
import type { Read } from '../core/document'
import { checkFaults, loadCircuit } from './circuits'
import type { Database, Queries } from './database'
import { Refusal } from './refusal'
import { currentRubric } from './rubrics'
import type { Stopping, Workers } from './workers/pool'

const iso = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`

/** A work order as it was handed out, read through the doors of all its documents. */
export interface Order extends OrderOfCore {
  readonly id: string
  readonly rubric: Rubric
  readonly complaint: string
  readonly studentId: string
  readonly created: string
  readonly concluded: string | null
  readonly released: string | null
}

/** Where the bench of an order stands, and how many steps have led there. */
interface Standing {
  readonly bench: Bench | undefined
  readonly taken: number
}

interface Row {
  id: string
  document: unknown
  faults: unknown
  frame: unknown
  rubric: unknown
  complaint: string
  student_id: string
  created: string
  concluded: string | null
  released: string | null
  bench: Bench | null
  taken: number
}

/** What is stored is let in like anything else; what cannot be read is said to be so, and left as it is. */
export function opened<T>(read: Read<T>): T {
  if (!read.ok) throw new Refusal(422, say('unreadable'), read.problems)
  return read.value
}

function orderOf(row: Row): Order {
  const circuit: Circuit = opened(readCircuit(row.document, { unfinished: true }))
  return {
    id: row.id,
    circuit,
    planted: opened(plantedDoor.read(row.faults)).list,
    // Orders of before frames have none at all.
    frame: opened(frameDoor.read(row.frame ?? {})),
    rubric: opened(rubricDoor.read(row.rubric)),
    complaint: row.complaint,
    studentId: row.student_id,
    created: row.created,
    concluded: row.concluded,
    released: row.released,
  }
}

/**
 * Hands a planted circuit out. Circuit, faults, frame, rubric and the complaint’s facts are copied: later edits do not reach
 * it. What its judge believes after the complaint is worked out meanwhile, so that no review waits for it.
 */
export async function addOrder(
  db: Queries,
  workers: Workers,
  order: NewOrder,
  instructor: User,
): Promise<string> {
  const { circuit } = await loadCircuit(db, order.circuit)
  checkFaults(circuit, order.faults)
  const known = await db.query(`select 1 from users where id = $1 and role = 'student'`, [order.student])
  if (!known.length) throw new Refusal(422, say('chooseStudent'))
  const framed = frameSchema.parse({ ...order.frame, ...(order.faults.length > 1 && { faults: 2 }) })
  const complaint = framed.complaint.length
    ? framed.complaint
    : await workers.draft({ circuit, planted: order.faults })
  const frame = { ...framed, complaint }
  const rubric = await currentRubric(db)
  const [row] = await db.query<{ id: string }>(
    `insert into work_orders (circuit_id, student_id, instructor_id, complaint, document, faults, frame, rubric)
     values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
    [
      order.circuit,
      order.student,
      instructor.id,
      order.complaint,
      JSON.stringify(circuit),
      JSON.stringify(plantedDoor.write({ list: order.faults })),
      JSON.stringify(frameDoor.write(frame)),
      JSON.stringify(rubricDoor.write(rubric)),
    ],
  )
  // Nobody waits for it: a review that comes first works it out itself.
  void prepared(db, workers, { circuit, planted: order.faults, frame }).catch(() => undefined)
  return row!.id
}

/** What is believed after the complaint, as it was kept, or worked out and kept now. */
async function prepared(
  db: Queries,
  workers: Workers,
  { circuit, planted, frame }: OrderOfCore,
  stopping: Stopping = {},
): Promise<Prepared> {
  const hash = createHash('sha256')
    .update(
      JSON.stringify([
        engineVersion,
        circuit,
        planted,
        frame.meter,
        frame.faults,
        frame.complaint,
        frame.bag,
      ]),
    )
    .digest('hex')
  const [kept] = await db.query<{ body: Prepared }>('select body from prepared where hash = $1', [hash])
  if (kept) return kept.body
  const made = await workers.prepare({ order: { circuit, planted, frame } }, stopping)
  await db.query('insert into prepared (hash, body) values ($1, $2) on conflict (hash) do nothing', [
    hash,
    JSON.stringify(made),
  ])
  return made
}

export const listOrders = (db: Queries): Promise<OrderRow[]> =>
  db.query(
    `select o.id, o.document->>'name' as circuit, o.complaint, u.name as student, ${iso('o.created_at')} as created,
       ${iso('o.concluded_at')} as concluded,
       (select count(*)::int from steps s where s.work_order_id = o.id and s.body->>'type' = 'test') as tests
     from work_orders o join users u on u.id = o.student_id order by o.created_at desc limit ${mostOrders}`,
  )

async function load(db: Queries, id: string): Promise<Order & Standing> {
  const [row] = await db.query<Row>(
    `select id, document, faults, frame, rubric, complaint, student_id, bench, taken, ${iso('created_at')} as created,
       ${iso('concluded_at')} as concluded, ${iso('released_at')} as released from work_orders where id = $1`,
    [id],
  )
  if (!row) throw new Refusal(404, say('noOrder'))
  return { ...orderOf(row), bench: row.bench ?? undefined, taken: row.taken }
}

export const loadOrder = (db: Queries, id: string): Promise<Order> => load(db, id)

export async function loadSteps(db: Queries, id: string): Promise<{ at: string; step: Step }[]> {
  const rows = await db.query<{ at: string; body: unknown }>(
    `select ${iso('at')} as at, body from steps where work_order_id = $1 order by position limit ${mostSteps}`,
    [id],
  )
  return rows.map(({ at, body }) => ({ at, step: opened(stepDoor.read(body)) }))
}

/** A student's own orders. The columns are named one by one: what was planted is not among them. */
export const deskList = (db: Queries, student: User): Promise<DeskList> =>
  db.query(
    `select id, document->>'name' as circuit, complaint, ${iso('created_at')} as created, ${iso('concluded_at')} as concluded,
       ${iso('released_at')} as released
     from work_orders where student_id = $1 order by created_at desc limit ${mostOrders}`,
    [student.id],
  )

async function loadOwn(db: Queries, id: string, student: User): Promise<Order & Standing> {
  const order = await load(db, id)
  // The same words as for one that does not exist: whose it is is nobody's business.
  if (order.studentId !== student.id) throw new Refusal(404, say('noOrder'))
  return order
}

export async function loadDesk(db: Queries, id: string, student: User): Promise<Desk> {
  const order = await loadOwn(db, id, student)
  const steps = await loadSteps(db, id)
  const { faults, families, bag, meter, mode, source } = order.frame
  return {
    id: order.id,
    complaint: order.complaint,
    circuit: order.circuit,
    frame: { faults, families, bag, meter, mode, source },
    steps: steps.map(({ step }) => asSeen(step)),
    concluded: order.concluded !== null,
  }
}

/** The student’s work is done: after the conclusion there may have been a repair and its proof. Said twice, it is done once. */
export async function finish(db: Queries, id: string, student: User): Promise<void> {
  const order = await loadOwn(db, id, student)
  if (order.concluded !== null) return
  const [row] = await db.query(
    `select 1 from steps where work_order_id = $1 and body->>'type' = 'conclude'`,
    [id],
  )
  if (!row) throw new Refusal(409, attemptSay('concludeFirst'))
  await db.query('update work_orders set concluded_at = coalesce(concluded_at, now()) where id = $1', [id])
}

/** Gives the review of finished work to its student, or takes it back. */
export async function release(db: Queries, id: string, released: boolean): Promise<void> {
  const order = await load(db, id)
  if (released && order.concluded === null) throw new Refusal(409, say('notFinished'))
  await db.query(`update work_orders set released_at = ${released ? 'now()' : 'null'} where id = $1`, [id])
}

/** An order whose review its student has been given. */
export async function loadReleased(db: Queries, id: string, student: User): Promise<Order> {
  const order = await loadOwn(db, id, student)
  if (order.released === null) throw new Refusal(404, say('noOrder'))
  return order
}

const known = async (db: Queries, id: string, key: string): Promise<Acknowledged | undefined> => {
  const [row] = await db.query<{ position: number; body: unknown }>(
    'select position, body from steps where work_order_id = $1 and key = $2',
    [id, key],
  )
  return row && { position: row.position, step: asSeen(opened(stepDoor.read(row.body))) }
}

/** Times that a step is worked out again because another of the same order came first. */
const mostTries = 4

/**
 * Takes one step of a student: what it shows on the faulted board is worked out beside the server first, then recorded in a
 * short transaction, then answered. If another step has come in between, it is worked out again on the bench as it is now.
 */
export const takeStep = (
  database: Database,
  workers: Workers,
  id: string,
  student: User,
  action: DeskAction,
  stopping: Stopping = {},
): Promise<Acknowledged> =>
  workers.inTurn(student.id, () => stepNow(database, workers, id, student, action, stopping))

async function stepNow(
  database: Database,
  workers: Workers,
  id: string,
  student: User,
  { key, action }: DeskAction,
  stopping: Stopping,
): Promise<Acknowledged> {
  for (let n = 0; n < mostTries; n++) {
    const order = await loadOwn(database, id, student)
    const before = await known(database, id, key)
    if (before) return before
    if (order.concluded !== null) throw new Refusal(409, attemptSay('concluded'))
    if (order.taken >= mostSteps) throw new Refusal(409, attemptSay('noSteps', { most: mostSteps }))
    const bench = order.bench ?? (await benchSoFar(database, workers, order, stopping))
    const types = await database.query<{ type: Step['type'] }>(
      `select body->>'type' as type from steps where work_order_id = $1 order by position`,
      [id],
    )
    const { circuit, planted, frame } = order
    const { performed, bench: after } = await workers.perform(
      { order: { circuit, planted, frame }, bench, before: types.map(({ type }) => type), action },
      stopping,
    )
    if (!performed.ok) throw new Refusal(performed.trouble === 'order' ? 409 : 422, performed.why)
    const taken = await record(database, id, key, order.taken, performed.step, after)
    if (taken) return taken
  }
  throw new Refusal(503, say('tooBusy'))
}

/** Orders of before the bench was kept with them: it is worked out from their steps once. */
async function benchSoFar(
  database: Database,
  workers: Workers,
  order: Order & Standing,
  stopping: Stopping,
): Promise<Bench> {
  const { circuit, planted, frame } = order
  if (order.taken === 0) return workers.start({ order: { circuit, planted, frame } }, stopping)
  const steps = await loadSteps(database, order.id)
  return benchOf(
    order,
    steps.map(({ step }) => step),
  )
}

/** Writes the step, unless others have come first (undefined: work it out again), or this one is there already. */
const record = (
  database: Database,
  id: string,
  key: string,
  position: number,
  step: Step,
  bench: Bench | undefined,
): Promise<Acknowledged | undefined> =>
  database.transaction(async (db) => {
    const [row] = await db.query<{ taken: number; concluded: boolean }>(
      'select taken, concluded_at is not null as concluded from work_orders where id = $1 for update',
      [id],
    )
    const same = await known(db, id, key)
    if (same) return same
    if (row?.taken !== position || row.concluded) return undefined
    await db.query('insert into steps (work_order_id, position, key, body) values ($1, $2, $3, $4)', [
      id,
      position,
      key,
      JSON.stringify(stepDoor.write(step)),
    ])
    await db.query('update work_orders set taken = taken + 1, bench = $2 where id = $1', [
      id,
      JSON.stringify(bench ?? null),
    ])
    return { position, step: asSeen(step) }
  })

const signOf = (order: Order, steps: readonly Step[]): string =>
  createHash('sha256')
    .update(JSON.stringify([engineVersion, order.rubric, steps]))
    .digest('hex')

/** The judgement of an attempt as it was kept; null where steps, rubric or engine have changed since. */
export async function keptJudgement(
  db: Queries,
  order: Order,
  steps: readonly Step[],
): Promise<JudgedAttempt | null> {
  const [kept] = await db.query<{ body: unknown }>(
    'select body from judgements where work_order_id = $1 and sign = $2',
    [order.id, signOf(order, steps)],
  )
  const read = kept && judgedSchema.safeParse(kept.body)
  return read?.success ? read.data : null
}

/** The judgement of an attempt: as it was kept, or made anew. */
export async function judgementOf(
  database: Database,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  const kept = await keptJudgement(database, order, steps)
  if (kept) return kept
  const judged = await judgedBy(database, workers, order, steps, order.rubric, stopping)
  await database.query(
    `insert into judgements (work_order_id, sign, body) values ($1, $2, $3)
     on conflict (work_order_id) do update set sign = excluded.sign, body = excluded.body, at = now()`,
    [order.id, signOf(order, steps), JSON.stringify(judged)],
  )
  return judged
}

/** An attempt judged by a rubric that need not be its own; nothing is kept. */
export async function judgedBy(
  database: Database,
  workers: Workers,
  { circuit, planted, frame }: OrderOfCore,
  steps: readonly Step[],
  rubric: Rubric,
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  const order = { circuit, planted, frame }
  const first = await prepared(database, workers, order, stopping)
  return workers.judge({ order, steps, rubric, prepared: first }, stopping)
}

export interface Override {
  readonly aspect: Aspect
  readonly points: number
  readonly note: string
}

/** What the instructor has put in place of the judge’s marks. */
export const loadOverrides = (db: Queries, order: string): Promise<Override[]> =>
  db.query('select aspect, points, note from overrides where work_order_id = $1 order by aspect', [order])

/** Puts a mark in place of the judge’s, with its reason, or takes it back. */
export async function override(
  db: Queries,
  order: string,
  { aspect, points, note }: Omit<Override, 'points'> & { points: number | null },
  instructor: User,
): Promise<void> {
  if (points === null) {
    await db.query('delete from overrides where work_order_id = $1 and aspect = $2', [order, aspect])
    return
  }
  await db.query(
    `insert into overrides (work_order_id, aspect, points, note, instructor_id) values ($1, $2, $3, $4, $5)
     on conflict (work_order_id, aspect) do update
       set points = excluded.points, note = excluded.note, instructor_id = excluded.instructor_id, at = now()`,
    [order, aspect, points, note, instructor.id],
  )
}
