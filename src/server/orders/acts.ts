import type { FloorAct, Told } from '../../contract'
import type { Queries } from '../database'
import { iso } from './orders'

/** Table `acts`: what an instructor said to a student at work, or did for them. */

export const addAct = (
  tx: Queries,
  order: string,
  type: FloorAct['type'],
  body: string,
  instructor: string,
): Promise<unknown[]> =>
  tx.query('insert into acts (work_order_id, type, body, instructor_id) values ($1, $2, $3, $4)', [
    order,
    type,
    body,
    instructor,
  ])

/** What was said to a student, in order. */
export const nudgesOf = (db: Queries, order: string): Promise<Told['said']> =>
  db.query(
    `select id::int as id, ${iso('at')} as at, body as text from acts where work_order_id = $1 and type = 'nudge' order by id`,
    [order],
  )

/** Forgets what was said to a student. */
export const forgetActs = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from acts where work_order_id in (select id from work_orders where student_id = $1)', [
    student,
  ])
