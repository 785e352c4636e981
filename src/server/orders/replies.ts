import type { Reply } from '../../contract'
import type { Queries } from '../database'

/** What a student answers to the verdicts of a review. */
export const loadReplies = (db: Queries, order: string): Promise<Reply[]> =>
  db.query('select step, verdict, body from replies where work_order_id = $1 order by step, at', [order])

/** Keeps an answer to one verdict of one step; an empty one takes it back. */
export async function reply(db: Queries, order: string, { step, verdict, body }: Reply): Promise<void> {
  if (!body) {
    await db.query('delete from replies where work_order_id = $1 and step = $2 and verdict = $3', [
      order,
      step,
      verdict,
    ])
    return
  }
  await db.query(
    `insert into replies (work_order_id, step, verdict, body) values ($1, $2, $3, $4)
     on conflict (work_order_id, step, verdict) do update set body = excluded.body, at = now()`,
    [order, step, verdict, body],
  )
}

/** Forgets what a student answered. */
export const forgetReplies = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from replies where work_order_id in (select id from work_orders where student_id = $1)', [
    student,
  ])
