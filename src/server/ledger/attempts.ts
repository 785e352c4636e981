import type { Attempts, AttemptsQuery } from '../../contract'
import { peopleOf } from '../class/scope'
import type { Queries } from '../database'
import { cursorOf, pageFrom, pageSize, readCursor, unsorted } from '../http/pages'
import { iso } from '../orders/orders'
import { ofDay } from './ledger'
import type { LedgerScope } from './scope'

/** The finished attempts behind a figure of the records, the newest first, by pages. */
export async function attemptsBehind(
  db: Queries,
  scope: LedgerScope,
  { circuit, fault, sure }: AttemptsQuery,
  after?: string,
): Promise<Attempts> {
  const cursor = readCursor(after, 2)
  const people = await peopleOf(db, scope)
  const which = `${people ? 'r.student_id = any($1::uuid[])' : '$1::uuid[] is null'}
     ${scope.day ? ofDay('$2') : 'and $2::uuid is null'}
     and ($3::text is null or r.circuit = $3) and ($4::text is null or r.fault = $4)
     and ($5::int is null or (r.sure >= $5 and (r.sure < $5 + 20 or ($5 = 80 and r.sure = 100))))`
  const bound = [people, scope.day ?? null, circuit ?? null, fault ?? null, sure ?? null]
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from current_results r where ${which}`,
    bound,
  )
  const rows = await db.query<Attempts['rows'][number] & { sorted: string }>(
    `select r.work_order_id as id, ${iso('r.concluded_at')} as at, r.circuit, r.fault, r.mark as total, r.found as right, r.tests,
       r.wrong, r.sure, u.name as student, r.concluded_at::text as sorted
     from current_results r join users u on u.id = r.student_id where ${which}
       ${cursor ? 'and (r.concluded_at, r.work_order_id) < ($6::timestamptz, $7::uuid)' : ''}
     order by r.concluded_at desc, r.work_order_id desc limit ${pageSize + 1}`,
    [...bound, ...(cursor ?? [])],
  )
  return pageFrom(rows, pageSize, counted!.count, unsorted, ({ sorted, id }) => cursorOf(sorted, id))
}
