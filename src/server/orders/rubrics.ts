import { say } from '../../core/document'
import { type NewRubric, type RubricRow, type User } from '../../contract'
import { defaultRubric, rubricDoor, type Rubric } from '../../core/assessment'
import type { Database, Queries } from '../database'
import { HttpError } from '../http/http-error'

/** The rubric that marks what is handed out from now on: the latest, or ours where the school has made none. */
export async function currentRubric(db: Queries): Promise<Rubric> {
  const [row] = await db.query<{ body: unknown }>('select body from rubrics order by version desc limit 1')
  const read = row && rubricDoor.read(row.body)
  return read?.ok ? read.value : defaultRubric
}

/** All versions, the latest first; ours is the first of them. */
export async function listRubrics(db: Queries): Promise<RubricRow[]> {
  const rows = await db.query<{ body: unknown; name: string | null; at: string }>(
    `select r.body, u.name, to_char(r.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
     from rubrics r left join users u on u.id = r.instructor_id order by r.version desc`,
  )
  const own = rows.flatMap(({ body, name, at }) => {
    const read = rubricDoor.read(body)
    return read.ok ? [{ rubric: read.value, by: name, at }] : []
  })
  return [...own, { rubric: defaultRubric, by: null, at: null }]
}

/** Keeps a new version; what is handed out already keeps the one that it was handed out with. */
export const addRubric = (database: Database, given: NewRubric, instructor: User): Promise<Rubric> =>
  database.transaction(async (db) => {
    const current = await currentRubric(db)
    // Two instructors at once: whoever saves second is told, and loses nothing.
    if (given.after !== current.version) throw new HttpError(409, say('school.rubricChanged'))
    const rubric: Rubric = { ...given.rubric, version: current.version + 1 }
    await db.query('insert into rubrics (version, body, instructor_id) values ($1, $2, $3)', [
      rubric.version,
      JSON.stringify(rubricDoor.write(rubric)),
      instructor.id,
    ])
    return rubric
  })
