import { say } from '../../core/document'
import { findDrill } from '../../core/learning'
import type { DrillSet, NewDrillSet, SetProgress, User } from '../../contract'
import type { Queries } from '../database'
import { HttpError } from '../http/http-error'

/** Table `drill_sets`: what a class is to do by itself until a day. */

/** Days after its last day for which a set is still shown to its students. */
const shownAfter = 7
const columns = `s.id, s.name, c.name as class, s.kinds, s.items, to_char(s.due, 'YYYY-MM-DD') as due`

/** The sets of a student's classes, the next one first. */
export const ownSets = (db: Queries, student: string): Promise<DrillSet[]> =>
  db.query<DrillSet>(
    `select ${columns}, (select count(*)::int from drill_items i where i.set_id = s.id and i.user_id = $1 and i.answered_at is not null) as done
     from drill_sets s join classes c on c.id = s.class_id join class_members m on m.class_id = s.class_id and m.user_id = $1
     where s.due >= current_date - ${shownAfter} order by s.due, s.created_at`,
    [student],
  )

/** @throws HttpError 422 for a kind that there is not */
export async function addSet(
  db: Queries,
  { class: group, name, kinds, items, due }: NewDrillSet,
  user: Pick<User, 'id'>,
): Promise<string> {
  if (!kinds.every((kind) => findDrill(kind))) throw new HttpError(422, say('school.noDrillKind'))
  const [row] = await db.query<{ id: string }>(
    `insert into drill_sets (class_id, instructor_id, name, kinds, items, due)
     select id, $2, $3, $4::text[], $5, $6::date from classes where id = $1 returning id`,
    [group, user.id, name, kinds, items, due],
  )
  if (!row) throw new HttpError(404, say('school.noClass'))
  return row.id
}

/** @throws HttpError 404 */
export async function removeSet(db: Queries, id: string): Promise<void> {
  const gone = await db.query('delete from drill_sets where id = $1 returning 1', [id])
  if (!gone.length) throw new HttpError(404, say('school.noDrillSet'))
}

/** Sets that are listed, the newest first. */
const mostSets = 40

/** All sets with who has done how much of each. */
export async function setProgress(db: Queries): Promise<SetProgress> {
  const sets = await db.query<Omit<SetProgress[number], 'students'>>(
    `select ${columns} from drill_sets s join classes c on c.id = s.class_id order by s.due desc, s.created_at desc limit ${mostSets}`,
  )
  const rows = await db.query<{ set: string; id: string; name: string; done: number; right: number }>(
    `select s.id as set, u.id, u.name, coalesce(i.done, 0) as done, coalesce(i.right, 0) as right
     from drill_sets s join class_members m on m.class_id = s.class_id
     join users u on u.id = m.user_id and u.role = 'student'
     left join lateral (select count(*)::int as done, coalesce(avg(share), 0)::float8 as right from drill_items i
       where i.set_id = s.id and i.user_id = u.id and i.answered_at is not null) i on true
     where s.id = any($1::uuid[]) order by u.name`,
    [sets.map(({ id }) => id)],
  )
  return sets.map((one) => ({
    ...one,
    students: rows
      .filter(({ set }) => set === one.id)
      .map(({ id, name, done, right }) => ({ id, name, done, right })),
  }))
}
