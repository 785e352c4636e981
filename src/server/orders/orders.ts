import { LRUCache } from 'lru-cache'
import { say, type Read } from '../../core/document'
import { rubricDoor, type Rubric } from '../../core/assessment'
import {
  frameDoor,
  mostSteps,
  plantedDoor,
  stepDoor,
  usualHints,
  type BenchState,
  type Order as OrderOfCore,
  type Step,
} from '../../core/attempt'
import { readCircuit } from '../../core/editing'
import { type Circuit } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import { often, type Database, type Queries } from '../database'
import { HttpError } from '../http/http-error'

/** How many steps of a kind order `o` has: of before they were counted as they came, counted now. */
export const countOf = (what: 'test' | 'hint') =>
  `coalesce(o.${what}s, (select count(*)::int from steps where work_order_id = o.id and body->>'type' = '${what}'))`

export const iso = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`

/** Seconds that are left to the student: the limit runs from when the order was first opened, on the server’s clock. */
const leftSql = `least(case when jsonb_typeof(frame->'limit') = 'number' and started_at is not null then
  ((frame->>'limit')::float8 + extra_minutes) * 60 - extract(epoch from now() - started_at)::float8 end,
  extract(epoch from closes_at - now())::float8)`

/** A work order as it was handed out, read through the doors of all its documents. */
export interface Order extends OrderOfCore {
  readonly id: string
  readonly rubric: Rubric
  readonly complaint: string
  readonly studentId: string
  readonly created: string
  readonly concluded: string | null
  readonly released: string | null
  /** It is finished, and its judgement and result are kept. */
  readonly judged: boolean
  /** The lab day and the bench that it is worked at, where it belongs to one. */
  readonly day: string | null
  readonly station: string | null
  /** The examination that it belongs to, where it does. */
  readonly exam: string | null
}

/** Where the bench of an order stands, and how many steps have led there. */
export interface Standing {
  readonly bench: BenchState | undefined
  readonly taken: number
  /** Seconds that are left of the time limit; null without one. */
  readonly left: number | null
  /** Why the instructor has stopped the work; null where it goes on. */
  readonly stopped: string | null
  /** Its students do not have it yet. */
  readonly early: boolean
  /** Its student has opened it. */
  readonly begun: boolean
}

/** What an order is about never changes once it is handed out: it is read through its doors once. */
type Copied = Pick<Order, 'circuit' | 'planted' | 'spares' | 'rubric'>
const copies = new LRUCache<string, Copied>({ max: 600 })
/** A class works on few circuits: the same document is read once, whoever was handed it. By its digest. */
const circuits = new LRUCache<string, Circuit>({ max: 60 })

async function copyOf(db: Queries, id: string): Promise<Copied> {
  const known = copies.get(id)
  if (known) return known
  const [row] = await db.query<{ document: unknown; digest: string; faults: unknown; rubric: unknown }>(
    'select document, md5(document::text) as digest, faults, rubric from current_orders where id = $1',
    [id],
  )
  if (!row) throw new HttpError(404, say('school.noOrder'))
  const circuit = circuits.get(row.digest) ?? opened(readCircuit(row.document, { unfinished: true }))
  circuits.set(row.digest, circuit)
  const { list, spares = [] } = opened(plantedDoor.read(row.faults))
  const copy = {
    circuit,
    planted: list,
    spares,
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
  judged: boolean
  day: string | null
  station: string | null
  exam: string | null
  bench: BenchState | null
  taken: number
  left: number | null
  stopped: string | null
  early: boolean
  begun: boolean
}

/** What is stored is let in like anything else; what cannot be read is said to be so, and left as it is. */
export function opened<T>(read: Read<T>): T {
  if (!read.ok) throw new HttpError(422, say('school.unreadable'), read.problems)
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
    judged: row.judged,
    day: row.day,
    station: row.station,
    exam: row.exam,
  }
}

export async function load(db: Queries, id: string): Promise<Order & Standing> {
  const [row] = await db.query<Row>(
    often(`select id, frame, complaint, student_id, lab_day_id as day, station, exam_id as exam, bench, taken, stopped, judged_at is not null as judged, created_at > now() as early, started_at is not null as begun, ${leftSql} as left, ${iso('created_at')} as created,
       ${iso('concluded_at')} as concluded, ${iso('released_at')} as released from current_orders where id = $1`),
    [id],
  )
  if (!row) throw new HttpError(404, say('school.noOrder'))
  return {
    ...orderOf(row, await copyOf(db, id)),
    bench: row.bench ?? undefined,
    taken: row.taken,
    left: row.left,
    stopped: row.stopped,
    early: row.early,
    begun: row.begun,
  }
}

export const loadOrder = (db: Queries, id: string): Promise<Order> => load(db, id)

interface Kept {
  readonly at: string
  readonly step: Step
}
/** Steps are only ever added: those that were read stay as they are, with the position of the last. */
const taken = new LRUCache<string, { readonly last: number; readonly steps: readonly Kept[] }>({ max: 600 })

/** All steps of an order. Not for use within a transaction: what that may take back must not be remembered. */
export async function loadSteps(db: Database, id: string): Promise<readonly Kept[]> {
  const known = taken.get(id)
  const rows = await db.query<{ at: string; body: unknown; position: number }>(
    often(`select ${iso('at')} as at, body, position from steps where work_order_id = $1 and position > $2
     order by position limit ${mostSteps}`),
    [id, known?.last ?? -1],
  )
  if (!rows.length) return known?.steps ?? []
  const more = rows.map(({ at, body }) => ({ at, step: opened(stepDoor.read(body)) }))
  const steps = known ? [...known.steps, ...more] : more
  taken.set(id, { last: rows.at(-1)!.position, steps })
  return steps
}

/** Finished orders that nobody has judged, the newest first; those of the last seconds are being judged. */
export async function unjudgedOrders(db: Queries, most: number): Promise<string[]> {
  const rows = await db.query<{ id: string }>(
    `select id from current_orders where concluded_at is not null and judged_at is null and concluded_at < now() - interval '20 seconds'
     order by concluded_at desc limit $1`,
    [most],
  )
  return rows.map(({ id }) => id)
}

/** Whether the reviews of an examination have not been released yet: all of them are at once. */
async function isHeldBack(db: Queries, exam: string): Promise<boolean> {
  const [row] = await db.query('select 1 from exams where id = $1 and released_at is null', [exam])
  return row !== undefined
}

/** Gives the review of finished work to its student, or takes it back. */
export async function release(db: Queries, id: string, released: boolean): Promise<void> {
  const order = await load(db, id)
  if (released && order.concluded === null) throw new HttpError(409, say('school.notFinished'))
  if (released && order.exam !== null && (await isHeldBack(db, order.exam)))
    throw new HttpError(409, say('school.releaseExam'))
  await db.query(`update current_orders set released_at = ${released ? 'now()' : 'null'} where id = $1`, [id])
}

/** Gives back all finished work of some people, or of everybody, that was finished by a moment; answers how many. */
export async function releaseFinished(
  db: Queries,
  people: readonly string[] | null,
  by: string,
): Promise<number> {
  const rows = await db.query(
    `update current_orders set released_at = now()
     where concluded_at is not null and released_at is null and concluded_at <= $1::timestamptz
       and ${people ? 'student_id = any($2::uuid[])' : '$2::uuid[] is null'}
       and not exists (select 1 from exams e where e.id = exam_id and e.released_at is null)
     returning 1`,
    [by, people],
  )
  return rows.length
}

/** Takes an order away with everything that was done on it. */
export async function removeOrder(db: Queries, id: string): Promise<void> {
  const gone = await db.query('delete from current_orders where id = $1 returning id', [id])
  if (!gone.length) throw new HttpError(404, say('school.noOrder'))
}

/** The channel on which every server process says that an order has changed. */
export const floorChannel = 'floor'

/** What a new order holds, beside whose it is and by whom. */
export interface NewRow {
  readonly circuitId: string | null
  readonly circuit: Circuit
  readonly complaint: string
  readonly faults: readonly Fault[]
  readonly spares: readonly Fault[]
  readonly frame: OrderOfCore['frame']
  readonly rubric: Rubric
  readonly meter: string | null
  /** The moment at which it counts as handed out, where that is to come. */
  readonly opens: string | null
  readonly likeOf: string | null
  readonly lesson: string | null
  readonly day: string | null
  readonly station: string | null
  readonly round: number | null
  readonly exam: ExamPlace | null
}

/** Where an order of an examination belongs. */
export interface ExamPlace {
  readonly exam: string
  readonly closes: string
  readonly variant: number
  /** Minutes more than the others have, by student; and where each sits. */
  readonly extra: Readonly<Record<string, number>>
  readonly seats: Readonly<Record<string, string>>
}

/** One order each; who has one of the same round already gets none. */
export const insertOrders = (
  tx: Queries,
  students: readonly string[],
  instructor: string,
  row: NewRow,
): Promise<{ id: string; student: string }[]> =>
  tx.query(
    `insert into work_orders (student_id, instructor_id, circuit_id, complaint, document, circuit, faults, frame, rubric,
       meter_id, like_of, lesson_id, lab_day_id, station, round, created_at, tests, hints, exam_id, closes_at, variant, extra_minutes)
     select s.id, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, coalesce($14, $21::jsonb->>s.id::text), $15,
       greatest(now(), $16::timestamptz), 0, 0, $17,
       $18::timestamptz + coalesce(($20::jsonb->>s.id::text)::float8, 0) * interval '1 minute', $19::int, coalesce(($20::jsonb->>s.id::text)::float8, 0) from (select distinct unnest($1::uuid[]) as id) s
     on conflict do nothing returning id, student_id as student`,
    [
      students,
      instructor,
      row.circuitId,
      row.complaint,
      JSON.stringify(row.circuit),
      row.circuit.name,
      JSON.stringify(
        plantedDoor.write({
          list: [...row.faults],
          ...(row.spares.length && { spares: [...row.spares] }),
        }),
      ),
      JSON.stringify(frameDoor.write(row.frame)),
      JSON.stringify(rubricDoor.write(row.rubric)),
      row.meter,
      row.likeOf,
      row.lesson,
      row.day,
      row.station,
      row.round,
      row.opens,
      row.exam?.exam ?? null,
      row.exam?.closes ?? null,
      row.exam?.variant ?? null,
      JSON.stringify(row.exam?.extra ?? {}),
      JSON.stringify(row.exam?.seats ?? {}),
    ],
  )

/** The time limit runs from the first look. */
export const beginOrder = (db: Queries, id: string): Promise<unknown[]> =>
  db.query(
    `update work_orders set started_at = now() where id = $1 and started_at is null and (closes_at is null or closes_at > now())`,
    [id],
  )

/** The work is finished; said twice, it is so from the first time. */
export const concludeOrder = (db: Queries, id: string): Promise<unknown[]> =>
  db.query('update current_orders set concluded_at = coalesce(concluded_at, now()) where id = $1', [id])

/** Seconds after the end of an examination in which a step that was on its way still arrives. */
const lateBy = 40

/** Hands in what is at work in examinations that are over; answers which. Who has not begun was not there. */
export async function handInOver(db: Queries): Promise<string[]> {
  const rows = await db.query<{ id: string }>(
    `update work_orders set concluded_at = now() where concluded_at is null and binned_at is null and closes_at is not null
       and started_at is not null and ${leftSql} < -${lateBy} returning id`,
  )
  return rows.map(({ id }) => id)
}

/** Gives back all reviews of an examination. */
export const releaseExamOrders = (tx: Queries, exam: string): Promise<unknown[]> =>
  tx.query(
    'update work_orders set released_at = now() where exam_id = $1 and concluded_at is not null and released_at is null and binned_at is null',
    [exam],
  )

/** How many of an examination are at work, or may still begin. */
export async function countOpen(tx: Queries, exam: string): Promise<number> {
  const [row] = await tx.query<{ count: number }>(
    `select count(*)::int as count from current_orders where exam_id = $1 and concluded_at is null
       and (started_at is not null or closes_at > now())`,
    [exam],
  )
  return row!.count
}

/** Takes an examination's orders away that nobody has begun. */
export const removeExamOrders = (tx: Queries, exam: string): Promise<unknown[]> =>
  tx.query('delete from work_orders where exam_id = $1', [exam])

/** A step as it is written. */
export interface NewStep {
  /** The order that it is a step of. */
  readonly id: string
  readonly key: string
  /** How many steps there are before it. */
  readonly position: number
  readonly body: unknown
  /** Where the bench stands after it. */
  readonly bench: BenchState | undefined
}

/**
 * Writes a step where as many are there as it says, and the work is not finished; and tells whoever watches.
 * @returns whether it was written
 * @throws DatabaseFailure with `duplicate` where there is one with the same key
 */
export async function addStep(db: Queries, { id, key, position, body, bench }: NewStep): Promise<boolean> {
  const rows = await db.query(
    often(`with counted as (
       update current_orders set taken = taken + 1, bench = $5,
         tests = tests + ($4::jsonb->>'type' = 'test')::int, hints = hints + ($4::jsonb->>'type' = 'hint')::int
       where id = $1 and taken = $3 and concluded_at is null returning id),
     added as (
       insert into steps (work_order_id, position, key, body) select id, $3, $2, $4::jsonb from counted returning work_order_id)
     select pg_notify($6, work_order_id::text) from added`),
    [id, key, position, JSON.stringify(body), JSON.stringify(bench ?? null), floorChannel],
  )
  return rows.length > 0
}

/** Its judgement and its result are kept. */
export const noteJudged = (tx: Queries, id: string): Promise<unknown[]> =>
  tx.query('update work_orders set judged_at = now() where id = $1', [id])

/** Why the work is stopped; null: it goes on. */
export const stopOrder = (tx: Queries, id: string, why: string | null): Promise<unknown[]> =>
  tx.query('update work_orders set stopped = $2 where id = $1', [id, why])

export const extendOrder = (tx: Queries, id: string, minutes: number): Promise<unknown[]> =>
  tx.query(
    `update work_orders set extra_minutes = extra_minutes + $2, closes_at = closes_at + $2 * interval '1 minute' where id = $1`,
    [id, minutes],
  )

export const allowHints = (tx: Queries, id: string): Promise<unknown[]> =>
  tx.query(
    `update work_orders set frame = jsonb_set(coalesce(frame, '{}'), '{hints}', $2::jsonb) where id = $1`,
    [id, JSON.stringify(usualHints)],
  )

/** Puts the oldest work of before a moment into the bin, at most so much of it; answers which. */
export async function binOrders(tx: Queries, before: string, most: number): Promise<string[]> {
  const rows = await tx.query<{ id: string }>(
    `update work_orders set binned_at = now() where id in (
       select id from current_orders where coalesce(concluded_at, created_at) < $1
       order by coalesce(concluded_at, created_at) limit $2)
     returning id`,
    [before, most],
  )
  return rows.map(({ id }) => id)
}

/**
 * Takes work out of the bin, at most so much of it; answers which. Where something newer has its place in a round or in a
 * chain of practice meanwhile, it comes back without one.
 */
export async function takeOutOfBin(tx: Queries, most: number): Promise<string[]> {
  const rows = await tx.query<{ id: string }>(
    `update work_orders o set binned_at = null,
       round = case when exists (select 1 from current_orders c where c.lab_day_id = o.lab_day_id and c.round = o.round
         and c.student_id = o.student_id) then null else o.round end,
       like_of = case when o.concluded_at is null and exists (
         select 1 from current_orders c where c.like_of = o.like_of and c.concluded_at is null) then null else o.like_of end
     where id in (select id from work_orders where binned_at is not null order by binned_at limit $1)
     returning id`,
    [most],
  )
  return rows.map(({ id }) => id)
}

/** Erases what has lain in the bin for longer than an interval of PostgreSQL, at most so much of it; answers how much. */
export async function eraseBinned(tx: Queries, longer: string, most: number): Promise<number> {
  const rows = await tx.query(
    `delete from work_orders where id in (
       select id from work_orders where binned_at < now() - $1::interval order by binned_at limit $2)
     returning 1`,
    [longer, most],
  )
  return rows.length
}

/** Erases what lies in the bin of one student. */
export const forgetBinned = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from work_orders where student_id = $1 and binned_at is not null', [student])

export const removeOrdersOf = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from work_orders where student_id = $1', [student])

/** What an order may belong to, by its column: it may be gone while the order lay in the bin. */
const belongings = {
  circuit_id: 'circuits',
  lesson_id: 'lessons',
  lab_day_id: 'lab_days',
  meter_id: 'meters',
  exam_id: 'exams',
  like_of: 'work_orders',
}

/** Lets go of what some orders belonged to and is gone. */
export async function forgetGone(tx: Queries, ids: readonly string[]): Promise<void> {
  for (const [column, table] of Object.entries(belongings))
    await tx.query(
      `update work_orders o set ${column} = null where o.id = any($1::uuid[]) and o.${column} is not null
         and not exists (select 1 from ${table} t where t.id = o.${column})`,
      [ids],
    )
}
