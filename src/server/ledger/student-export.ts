import { say } from '../../core/document'
import { type User } from '../../contract'
import type { Database } from '../database'
import { iso } from '../orders/orders'
import { HttpError } from '../http/http-error'

/** What a student is owed: everything the school has of them, as one document. */
export async function exportOf(db: Database, student: string): Promise<object> {
  const [person] = await db.query<User>('select id, login, name, role from users where id = $1', [student])
  if (!person) throw new HttpError(404, say('school.noPerson'))
  const rows = await db.query<{ since: string | null }>(
    `select o.id, o.document->>'name' as circuit, o.complaint, ${iso('o.created_at')} as created,
       ${iso('o.concluded_at')} as concluded, o.station, o.round, j.body->'total' as total, ${iso('o.binned_at')} as since,
       (select coalesce(json_agg(s.body order by s.position), '[]') from steps s where s.work_order_id = o.id) as steps,
       (select coalesce(json_agg(json_build_object('aspect', v.aspect, 'points', v.points, 'note', v.note)), '[]')
          from overrides v where v.work_order_id = o.id) as overrides,
       (select coalesce(json_agg(json_build_object('at', ${iso('r.at')}, 'verdict', r.verdict, 'body', r.body)), '[]')
          from replies r where r.work_order_id = o.id) as replies
     from work_orders o left join judgements j on j.work_order_id = o.id where o.student_id = $1 order by o.created_at`,
    [student],
  )
  const orders = rows.filter(({ since }) => since === null)
  // Work that is too old lies in the bin for a while before it is erased.
  const binned = rows.filter(({ since }) => since !== null)
  const signIns = await db.query(
    `select ${iso('at')} as at, address, outcome from sign_ins where login = $1 order by id`,
    [person.login],
  )
  return { format: 'brachyon-student', version: 1, person, orders, binned, signIns }
}
