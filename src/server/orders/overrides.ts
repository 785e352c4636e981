import type { Aspect } from '../../core/assessment'
import type { User } from '../../contract'
import type { Database, Queries } from '../database'
import { remark } from '../judging/results'

export interface Override {
  readonly aspect: Aspect
  readonly points: number
  readonly note: string
}

/** What the instructor has put in place of the judge’s marks. */
export const loadOverrides = (db: Queries, order: string): Promise<Override[]> =>
  db.query('select aspect, points, note from overrides where work_order_id = $1 order by aspect', [order])

/** Puts a mark in place of the judge’s, with its reason, or takes it back; the mark that counts follows. */
export const override = (
  database: Database,
  order: string,
  { aspect, points, note }: Omit<Override, 'points'> & { points: number | null },
  instructor: User,
): Promise<void> =>
  database.transaction(async (db) => {
    if (points === null)
      await db.query('delete from overrides where work_order_id = $1 and aspect = $2', [order, aspect])
    else
      await db.query(
        `insert into overrides (work_order_id, aspect, points, note, instructor_id) values ($1, $2, $3, $4, $5)
         on conflict (work_order_id, aspect) do update
           set points = excluded.points, note = excluded.note, instructor_id = excluded.instructor_id, at = now()`,
        [order, aspect, points, note, instructor.id],
      )
    await remark(db, order)
  })
