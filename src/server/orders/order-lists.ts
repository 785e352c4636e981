import type { DeskList, OrderList, OrderRow, OrderState, releaseAllSchema, Scope, User } from '../../contract'
import type { z } from 'zod'
import type { Queries } from '../database'
import { countOf, iso, releaseFinished } from './orders'
import { cursorOf, pageFrom, pageSize, readCursor, unsorted } from '../http/pages'
import { peopleOf } from '../class/scope'

/** Lists of work orders, by pages. */

/** Which orders belong to a state, and the moment that they are sorted by, newest first. */
const states: Readonly<Record<OrderState, { readonly where: string; readonly by: string }>> = {
  waiting: { where: 'o.concluded_at is not null and o.released_at is null', by: 'o.concluded_at' },
  open: { where: 'o.concluded_at is null', by: 'o.created_at' },
  given: { where: 'o.concluded_at is not null and o.released_at is not null', by: 'o.concluded_at' },
}

/** Orders of one state and scope as an instructor sees them, the newest first. */
export async function listOrders(
  db: Queries,
  state: OrderState,
  scope: Scope,
  after?: string,
): Promise<OrderList> {
  const { where, by } = states[state]
  const people = await peopleOf(db, scope)
  const cursor = readCursor(after, 2)
  const whose = people ? 'and o.student_id = any($1::uuid[])' : 'and $1::uuid[] is null'
  const [counted] = await db.query<{ count: number; asOf: string }>(
    `select count(*)::int as count, to_char(now() at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"') as "asOf"
     from current_orders o where ${where} ${whose}`,
    [people],
  )
  const { count, asOf } = counted!
  const rows = await db.query<OrderRow & { sorted: string }>(
    `select o.id, coalesce(o.circuit, o.document->>'name') as circuit, o.complaint, u.name as student, o.student_id as "studentId",
       ${iso('o.created_at')} as created, o.created_at > now() as early, ${iso('o.concluded_at')} as concluded, ${iso('o.released_at')} as released,
       ${countOf('test')} as tests, ${by}::text as sorted,
       (select mark from current_results r where r.work_order_id = o.id) as mark
     from (select * from current_orders o where ${where} ${whose}
        ${cursor ? `and (${by}, o.id) < ($2::timestamptz, $3::uuid)` : ''}
        order by ${by} desc, o.id desc limit ${pageSize + 1}) o join users u on u.id = o.student_id
     order by ${by} desc, o.id desc`,
    [people, ...(cursor ?? [])],
  )
  const page = pageFrom(rows, pageSize, count, unsorted, ({ sorted, id }) => cursorOf(sorted, id))
  return { ...page, asOf }
}

/**
 * A student's own orders, the newest first; at a bench those of this bench of this day. The columns are named one by one:
 * what was planted is not among them.
 */
export async function deskList(db: Queries, student: User, after?: string): Promise<DeskList> {
  const cursor = readCursor(after, 2)
  const bench = [student.bench?.day ?? null, student.bench?.name ?? null]
  const own = `student_id = $1 and created_at <= now() and ($2::uuid is null or (lab_day_id = $2 and station = $3))
     and (closes_at is null or closes_at > now() or started_at is not null)`
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from current_orders where ${own}`,
    [student.id, ...bench],
  )
  type Row = DeskList['rows'][number] & { sorted: string }
  const read = (where: string, most: string, bound: readonly unknown[]) =>
    db.query<Row>(
      `select id, coalesce(circuit, document->>'name') as circuit, complaint, coalesce(frame->>'mode', 'test') as mode,
         ${iso('created_at')} as created, ${iso('concluded_at')} as concluded, ${iso('released_at')} as released, station, round,
         taken as steps, created_at::text as sorted
       from current_orders where ${own} and ${where} order by created_at desc, id desc ${most}`,
      [student.id, ...bench, ...bound],
    )
  // What there is to work at comes whole, however old it is.
  const open = cursor ? [] : await read('concluded_at is null', '', [])
  const done = await read(
    `concluded_at is not null ${cursor ? 'and (created_at, id) < ($4::timestamptz, $5::uuid)' : ''}`,
    `limit ${pageSize + 1}`,
    cursor ?? [],
  )
  const page = pageFrom(done, pageSize, counted!.count, unsorted, ({ sorted, id }) => cursorOf(sorted, id))
  return { ...page, rows: [...open.map(unsorted), ...page.rows] }
}

/** Gives back every finished review of a scope that was finished by then; answers how many there were. */
export async function releaseAll(
  db: Queries,
  { asOf, ...scope }: z.output<typeof releaseAllSchema>,
): Promise<{ count: number }> {
  return { count: await releaseFinished(db, await peopleOf(db, scope), asOf) }
}
