import { mostOrders, say, type OrderRow } from '../contract'
import { rubricDoor, type Rubric } from '../core/assessment'
import {
  frameDoor,
  mostSteps,
  plantedDoor,
  stepDoor,
  type Bench,
  type Order as OrderOfCore,
  type Step,
} from '../core/attempt'
import { readCircuit, type Circuit } from '../core/circuit'
import type { Read } from '../core/document'
import type { Database, Queries } from './database'
import { makeReady } from './judging'
import { Newest } from './newest'
import { Refusal } from './refusal'
import type { Workers } from './workers/pool'

export const iso = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`

/** Seconds that are left to the student: the limit runs from when the order was first opened, on the server’s clock. */
const leftSql = `case when jsonb_typeof(frame->'limit') = 'number' and started_at is not null then
  ((frame->>'limit')::float8 + extra_minutes) * 60 - extract(epoch from now() - started_at)::float8 end`

/** A work order as it was handed out, read through the doors of all its documents. */
export interface Order extends OrderOfCore {
  readonly id: string
  readonly rubric: Rubric
  readonly complaint: string
  readonly studentId: string
  readonly created: string
  readonly concluded: string | null
  readonly released: string | null
  /** The lab day and the bench that it is worked at, where it belongs to one. */
  readonly day: string | null
  readonly station: string | null
}

/** Where the bench of an order stands, and how many steps have led there. */
export interface Standing {
  readonly bench: Bench | undefined
  readonly taken: number
  /** Seconds that are left of the time limit; null without one. */
  readonly left: number | null
  /** Why the instructor has stopped the work; null where it goes on. */
  readonly stopped: string | null
}

/** What an order is about never changes once it is handed out: it is read through its doors once. */
type Copied = Pick<Order, 'circuit' | 'planted' | 'rubric'>
const copies = new Newest<Copied>(400)
/** A class works on few circuits: the same document is read once, whoever was handed it. By its digest. */
const circuits = new Newest<Circuit>(60)

async function copyOf(db: Queries, id: string): Promise<Copied> {
  const known = copies.get(id)
  if (known) return known
  const [row] = await db.query<{ document: unknown; digest: string; faults: unknown; rubric: unknown }>(
    'select document, md5(document::text) as digest, faults, rubric from work_orders where id = $1',
    [id],
  )
  if (!row) throw new Refusal(404, say('noOrder'))
  const circuit = circuits.get(row.digest) ?? opened(readCircuit(row.document, { unfinished: true }))
  circuits.set(row.digest, circuit)
  const copy = {
    circuit,
    planted: opened(plantedDoor.read(row.faults)).list,
    rubric: opened(rubricDoor.read(row.rubric)),
  }
  copies.set(id, copy)
  return copy
}

interface Row {
  id: string
  frame: unknown
  complaint: string
  student_id: string
  created: string
  concluded: string | null
  released: string | null
  day: string | null
  station: string | null
  bench: Bench | null
  taken: number
  left: number | null
  stopped: string | null
}

/** What is stored is let in like anything else; what cannot be read is said to be so, and left as it is. */
export function opened<T>(read: Read<T>): T {
  if (!read.ok) throw new Refusal(422, say('unreadable'), read.problems)
  return read.value
}

function orderOf(row: Row, copy: Copied): Order {
  return {
    id: row.id,
    ...copy,
    // Orders of before frames have none at all.
    frame: opened(frameDoor.read(row.frame ?? {})),
    complaint: row.complaint,
    studentId: row.student_id,
    created: row.created,
    concluded: row.concluded,
    released: row.released,
    day: row.day,
    station: row.station,
  }
}

/** Boards of orders that a restart interrupted are solved again before somebody asks, the newest first; a day's worth. */
export async function readyAgain(db: Queries, workers: Workers): Promise<number> {
  const open = await db.query<{ id: string }>(
    `select id from (
       select distinct on (document, faults, frame) id, created_at from work_orders
       where concluded_at is null and created_at > now() - interval '1 day'
       order by document, faults, frame, created_at desc) one
     order by created_at desc limit 12`,
  )
  for (const { id } of open) {
    const { circuit, planted, frame } = await load(db, id)
    await makeReady(db, workers, { circuit, planted, frame })
  }
  return open.length
}

export const listOrders = (db: Queries): Promise<OrderRow[]> =>
  db.query(
    `select o.id, o.document->>'name' as circuit, o.complaint, u.name as student, o.student_id as "studentId", ${iso('o.created_at')} as created,
       ${iso('o.concluded_at')} as concluded, ${iso('o.released_at')} as released,
       (select count(*)::int from steps s where s.work_order_id = o.id and s.body->>'type' = 'test') as tests
     from work_orders o join users u on u.id = o.student_id order by o.created_at desc limit ${mostOrders}`,
  )

export async function load(db: Queries, id: string): Promise<Order & Standing> {
  const [row] = await db.query<Row>(
    `select id, frame, complaint, student_id, lab_day_id as day, station, bench, taken, stopped, ${leftSql} as left, ${iso('created_at')} as created,
       ${iso('concluded_at')} as concluded, ${iso('released_at')} as released from work_orders where id = $1`,
    [id],
  )
  if (!row) throw new Refusal(404, say('noOrder'))
  return {
    ...orderOf(row, await copyOf(db, id)),
    bench: row.bench ?? undefined,
    taken: row.taken,
    left: row.left,
    stopped: row.stopped,
  }
}

export const loadOrder = (db: Queries, id: string): Promise<Order> => load(db, id)

interface Kept {
  readonly at: string
  readonly step: Step
}
/** Steps are only ever added: those that were read stay as they are, with the position of the last. */
const taken = new Newest<{ readonly last: number; readonly steps: readonly Kept[] }>(300)

/** All steps of an order. Not for use within a transaction: what that may take back must not be remembered. */
export async function loadSteps(db: Database, id: string): Promise<readonly Kept[]> {
  const known = taken.get(id)
  const rows = await db.query<{ at: string; body: unknown; position: number }>(
    `select ${iso('at')} as at, body, position from steps where work_order_id = $1 and position > $2
     order by position limit ${mostSteps}`,
    [id, known?.last ?? -1],
  )
  if (!rows.length) return known?.steps ?? []
  const more = rows.map(({ at, body }) => ({ at, step: opened(stepDoor.read(body)) }))
  const steps = known ? [...known.steps, ...more] : more
  taken.set(id, { last: rows.at(-1)!.position, steps })
  return steps
}

/** Gives back every finished review that its student does not have yet; answers how many there were. */
export async function releaseFinished(db: Queries): Promise<{ count: number }> {
  const rows = await db.query(
    'update work_orders set released_at = now() where concluded_at is not null and released_at is null returning id',
  )
  return { count: rows.length }
}

/** Gives the review of finished work to its student, or takes it back. */
export async function release(db: Queries, id: string, released: boolean): Promise<void> {
  const order = await load(db, id)
  if (released && order.concluded === null) throw new Refusal(409, say('notFinished'))
  await db.query(`update work_orders set released_at = ${released ? 'now()' : 'null'} where id = $1`, [id])
}

/** Takes an order away with everything that was done on it. */
export async function removeOrder(db: Queries, id: string): Promise<void> {
  const gone = await db.query('delete from work_orders where id = $1 returning id', [id])
  if (!gone.length) throw new Refusal(404, say('noOrder'))
}
