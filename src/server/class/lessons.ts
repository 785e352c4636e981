import { randomInt } from 'node:crypto'
import type { z } from 'zod'
import { say } from '../../core/document'
import {
  type handOutSchema,
  type keepLessonSchema,
  type LessonRow,
  type LessonVersions,
  type StoredLesson,
  type User,
} from '../../contract'
import { tellFor } from '../words'
import { complaintWords, frameSchema } from '../../core/attempt'
import { drawSets, lessonFormat, lessonVersion, readLesson, type Lesson } from '../../core/lab'
import { loadCircuit } from '../circuits/circuits'
import type { Database, Queries } from '../database'
import { handOut, readyOrder, type HandOut, type ReadyOrder } from '../orders/hand-out'
import { iso, opened } from '../orders/orders'
import { HttpError } from '../http/http-error'
import type { Workers } from '../workers/pool'

const rowSql = `select id, name, folder, version, body->'circuit'->>'name' as circuit,
    coalesce(body->'circuit'->>'vehicle', '') as vehicle,
    (select coalesce(json_agg(s->>'name'), '[]') from jsonb_array_elements(body->'sets') s) as sets,
    (select coalesce(json_agg(s->'faults'->0->>'kind'), '[]') from jsonb_array_elements(body->'sets') s) as kinds,
    coalesce(body->'frame'->>'mode', 'test') as mode, ${iso('updated_at')} as updated,
    case when (difficulty->>'version')::int = version then
      (select json_agg((s->>'difficulty')::float8) from jsonb_array_elements(difficulty->'sets') s) end as difficulties
  from lessons`

export const listLessons = (db: Queries): Promise<LessonRow[]> =>
  db.query(`${rowSql} order by folder, name limit 500`)

/** The way in for every lesson; what does not fit is refused with every reason, and nothing is kept of it. */
export function admitLesson(input: unknown): Lesson {
  const read = readLesson(input)
  if (!read.ok) throw new HttpError(422, read.problems[0] ?? say('school.missing'), read.problems)
  return read.value
}

export async function addLesson(db: Queries, lesson: Lesson): Promise<string> {
  const [row] = await db.query<{ id: string }>(
    'insert into lessons (name, folder, body) values ($1, $2, $3) returning id',
    [lesson.name, lesson.folder, JSON.stringify(lesson)],
  )
  await keepVersion(db, row!.id, 1, lesson)
  return row!.id
}

const keepVersion = (db: Queries, id: string, version: number, lesson: Lesson) =>
  db.query('insert into lesson_versions (lesson_id, version, body) values ($1, $2, $3)', [
    id,
    version,
    JSON.stringify(lesson),
  ])

export async function loadLesson(db: Queries, id: string, version?: number): Promise<StoredLesson> {
  const [row] = await db.query<{ id: string; version: number; body: unknown }>(
    version === undefined
      ? 'select id, version, body from lessons where id = $1'
      : 'select lesson_id as id, version, body from lesson_versions where lesson_id = $1 and version = $2',
    version === undefined ? [id] : [id, version],
  )
  if (!row) throw new HttpError(404, say('school.noLesson'))
  return { id: row.id, version: row.version, lesson: opened(readLesson(row.body)) }
}

/** A new version in its place; what was before is kept. */
export const changeLesson = (database: Database, id: string, lesson: Lesson): Promise<StoredLesson> =>
  database.transaction(async (db) => {
    const [row] = await db.query<{ version: number }>(
      `update lessons set name = $2, folder = $3, body = $4, version = version + 1, updated_at = now()
       where id = $1 returning version`,
      [id, lesson.name, lesson.folder, JSON.stringify(lesson)],
    )
    if (!row) throw new HttpError(404, say('school.noLesson'))
    await keepVersion(db, id, row.version, lesson)
    return { id, version: row.version, lesson }
  })

/** What stands on Plant as a lesson of its own, or as one more set of one whose circuit is the same. */
export async function keepLesson(
  database: Database,
  { lesson, circuit: from, set, into }: z.output<typeof keepLessonSchema>,
): Promise<StoredLesson> {
  const { circuit } = await loadCircuit(database, from)
  if (into !== undefined) {
    const { lesson: old } = await loadLesson(database, into)
    const same = JSON.stringify({ ...old.circuit, states: [] }) === JSON.stringify({ ...circuit, states: [] })
    if (!same) throw new HttpError(409, say('school.otherCircuit', { name: old.name }))
    return changeLesson(database, into, admitLesson({ ...old, circuit, sets: [...old.sets, set] }))
  }
  const whole = admitLesson({ format: lessonFormat, version: lessonVersion, ...lesson, circuit, sets: [set] })
  const id = await database.transaction((db) => addLesson(db, whole))
  return loadLesson(database, id)
}

export const copyLesson = async (
  database: Database,
  id: string,
  user: Pick<User, 'language'>,
): Promise<string> => {
  const { lesson } = await loadLesson(database, id)
  return database.transaction((db) =>
    addLesson(db, {
      ...lesson,
      name: tellFor(user)(say('school.copyOf', { name: lesson.name })).slice(0, 120),
    }),
  )
}

/**
 * One set of a lesson as an order, ready to be handed out: its complaint is drafted in the language of `user` where the
 * lesson has none.
 * @throws HttpError 422 where the lesson has no such set, or the driver would notice nothing
 */
export async function readyLesson(
  database: Database,
  workers: Workers,
  { id, lesson }: StoredLesson,
  set: number,
  user: Pick<User, 'language'>,
  meter?: string,
): Promise<ReadyOrder> {
  const chosen = lesson.sets[set]
  if (!chosen) throw new HttpError(422, say('school.noSet', { set: set + 1, name: lesson.name }))
  const { circuit } = lesson
  const said = chosen.facts?.length ? chosen.facts : lesson.frame.complaint
  const facts = said?.length ? said : await workers.draft({ circuit, planted: chosen.faults })
  const drafted = complaintWords(circuit, facts)
  const complaint = chosen.complaint || (drafted ? tellFor(user)(drafted) : '')
  if (complaint.length < 5) throw new HttpError(422, say('school.noSymptom', { set: chosen.name }))
  const order = await readyOrder(
    database,
    workers,
    {
      circuit: '',
      complaint,
      faults: chosen.faults,
      frame: frameSchema.partial().parse({ ...lesson.frame, complaint: facts }),
      ...(meter && { meter }),
    },
    circuit,
  )
  return { ...order, lesson: id }
}

/** Hands a lesson to several people, all or none: each a set of its own in turn, or all the same. */
export async function handOutLesson(
  database: Database,
  workers: Workers,
  id: string,
  { students, set, key }: z.output<typeof handOutSchema>,
  instructor: Pick<User, 'id' | 'language'>,
): Promise<number> {
  const stored = await loadLesson(database, id)
  const people = [...new Set(students)]
  const drawn = drawSets(stored.lesson.sets.length, people.length, randomInt(1000))
  const bySet = new Map<number, string[]>()
  for (const [i, student] of people.entries()) {
    const own = set ?? drawn[i]!
    bySet.set(own, [...(bySet.get(own) ?? []), student])
  }
  const orders: HandOut[] = []
  for (const [own, students] of bySet)
    orders.push({ order: await readyLesson(database, workers, stored, own, instructor), students })
  return (await handOut(database, workers, orders, instructor, { key })).length
}

/** Keeps how hard each set of a version is; a newer version has its own. */
export const keepDifficulty = (
  db: Queries,
  { id, version }: Pick<StoredLesson, 'id' | 'version'>,
  sets: readonly unknown[],
): Promise<unknown[]> =>
  db.query('update lessons set difficulty = $3 where id = $1 and version = $2', [
    id,
    version,
    JSON.stringify({ version, sets }),
  ])

/** Takes a lesson out; orders that came of it stay. @throws HttpError 404 */
export async function removeLesson(db: Queries, id: string): Promise<void> {
  const gone = await db.query('delete from lessons where id = $1 returning 1', [id])
  if (!gone.length) throw new HttpError(404, say('school.noLesson'))
}

/** What a lesson was before, the newest version first. */
export const listVersions = (db: Queries, id: string): Promise<LessonVersions> =>
  db.query(
    `select version, ${iso('at')} as at, jsonb_array_length(body->'sets') as sets, body->'circuit'->>'name' as circuit
     from lesson_versions where lesson_id = $1 order by version desc`,
    [id],
  )
