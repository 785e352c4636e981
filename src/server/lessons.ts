import { randomInt } from 'node:crypto'
import type { z } from 'zod'
import { say, type keepLessonSchema, type LessonRow, type StoredLesson, type User } from '../contract'
import { tell } from '../contract/words'
import { complaintWords, frameSchema } from '../core/attempt'
import { drawSets, lessonFormat, lessonVersion, readLesson, type Lesson } from '../core/lab'
import { loadCircuit } from './circuits'
import type { Database, Queries } from './database'
import { addOrder, iso, opened } from './orders'
import { Refusal } from './refusal'
import type { Workers } from './workers/pool'

const rowSql = `select id, name, folder, version, body->'circuit'->>'name' as circuit,
    coalesce(body->'circuit'->>'vehicle', '') as vehicle,
    (select coalesce(json_agg(s->>'name'), '[]') from jsonb_array_elements(body->'sets') s) as sets,
    (select coalesce(json_agg(s->'faults'->0->>'kind'), '[]') from jsonb_array_elements(body->'sets') s) as kinds,
    coalesce(body->'frame'->>'mode', 'test') as mode, ${iso('updated_at')} as updated
  from lessons`

export const listLessons = (db: Queries): Promise<LessonRow[]> =>
  db.query(`${rowSql} order by folder, name limit 500`)

/** The way in for every lesson; what does not fit is refused with every reason, and nothing is kept of it. */
export function admitLesson(input: unknown): Lesson {
  const read = readLesson(input)
  if (!read.ok) throw new Refusal(422, read.problems[0] ?? say('missing'), read.problems)
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
  if (!row) throw new Refusal(404, say('noLesson'))
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
    if (!row) throw new Refusal(404, say('noLesson'))
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
    if (!same) throw new Refusal(409, say('otherCircuit', { name: old.name }))
    return changeLesson(database, into, admitLesson({ ...old, circuit, sets: [...old.sets, set] }))
  }
  const whole = { format: lessonFormat, version: lessonVersion, ...lesson, circuit, sets: [set] }
  const id = await database.transaction((db) => addLesson(db, admitLesson(whole)))
  return loadLesson(database, id)
}

export const copyLesson = async (database: Database, id: string): Promise<string> => {
  const { lesson } = await loadLesson(database, id)
  return database.transaction((db) =>
    addLesson(db, { ...lesson, name: `${lesson.name}, copy`.slice(0, 120) }),
  )
}

/** Where an order of a lesson belongs, beside its student. */
export interface Slot {
  readonly day?: string
  readonly station?: string
  readonly round?: number
  readonly meter?: string
}

/** One order out of a lesson: its complaint is drafted where the lesson has none. */
export async function orderOf(
  database: Database,
  workers: Workers,
  { id, lesson }: StoredLesson,
  set: number,
  student: string,
  instructor: Pick<User, 'id'>,
  slot: Slot = {},
): Promise<string> {
  const chosen = lesson.sets[set]
  if (!chosen) throw new Refusal(422, say('noSet', { set: set + 1, name: lesson.name }))
  const { circuit } = lesson
  const facts = lesson.frame.complaint?.length
    ? lesson.frame.complaint
    : await workers.draft({ circuit, planted: chosen.faults })
  const drafted = complaintWords(circuit, facts)
  const complaint = chosen.complaint || (drafted ? tell(drafted) : '')
  if (complaint.length < 5) throw new Refusal(422, say('noSymptom', { set: chosen.name }))
  const order = await addOrder(
    database,
    workers,
    {
      circuit: '',
      student,
      complaint,
      faults: chosen.faults,
      frame: frameSchema.partial().parse({ ...lesson.frame, complaint: facts }),
      ...(slot.meter && { meter: slot.meter }),
    },
    instructor,
    { circuit },
  )
  await database.query(
    'update work_orders set lesson_id = $2, lab_day_id = $3, station = $4, round = $5 where id = $1',
    [order, id, slot.day ?? null, slot.station ?? null, slot.round ?? null],
  )
  return order
}

/** Hands a lesson to several people: each a set of its own in turn, or all the same. */
export async function handOutLesson(
  database: Database,
  workers: Workers,
  id: string,
  students: readonly string[],
  set: number | null,
  instructor: Pick<User, 'id'>,
): Promise<number> {
  const stored = await loadLesson(database, id)
  const drawn = drawSets(stored.lesson.sets.length, students.length, randomInt(1000))
  for (const [i, student] of students.entries())
    await orderOf(database, workers, stored, set ?? drawn[i]!, student, instructor)
  return students.length
}
