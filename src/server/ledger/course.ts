import type { Course } from '../../contract'
import type { Queries } from '../database'
import { iso } from '../orders/orders'
import { cursorOf, pageFrom, pageSize, readCursor, unsorted } from '../http/pages'

/** One student's finished work, the newest first, by pages. */
export async function courseOf(db: Queries, student: string, after?: string): Promise<Course> {
  const cursor = readCursor(after, 2)
  const [counted] = await db.query<{ count: number }>(
    'select count(*)::int as count from current_results where student_id = $1',
    [student],
  )
  const rows = await db.query<Course['rows'][number] & { sorted: string }>(
    `select work_order_id as id, ${iso('concluded_at')} as at, circuit, fault, mark as total, found as right, tests, evidence,
       concluded_at::text as sorted
     from current_results where student_id = $1
       ${cursor ? 'and (concluded_at, work_order_id) < ($2::timestamptz, $3::uuid)' : ''}
     order by concluded_at desc, work_order_id desc limit ${pageSize + 1}`,
    [student, ...(cursor ?? [])],
  )
  return pageFrom(rows, pageSize, counted!.count, unsorted, ({ sorted, id }) => cursorOf(sorted, id))
}
