import { randomUUID } from 'node:crypto'
import { say } from '../../core/document'
import type { HandbookMode } from '../../core/attempt'
import { alikeSets, apartBy, correlation, mean } from '../../core/learning'
import type { Exam, ExamRow, NewExam, User } from '../../contract'
import { loadLesson, readyLesson } from '../class/lessons'
import type { Database, Queries } from '../database'
import { HttpError } from '../http/http-error'
import { setDifficulties } from '../learning/lessons'
import { handOut, type HandOut } from '../orders/hand-out'
import { countOpen, iso, releaseExamOrders, removeExamOrders } from '../orders/orders'
import type { Workers } from '../workers/pool'

/** Table `exams`. */

/**
 * Sets an examination: each student a variant, alike in difficulty where the lesson has such, neighbours another; all or none.
 * @throws HttpError 404 without such a lesson, 422 where one of them is no student or a set has no symptom
 */
export async function setExam(
  database: Database,
  workers: Workers,
  exam: NewExam,
  instructor: Pick<User, 'id' | 'language'>,
): Promise<{ id: string; apart: number }> {
  const stored = await loadLesson(database, exam.lesson)
  const difficulties = (await setDifficulties(database, workers, stored)).map(
    (one) => one?.difficulty ?? null,
  )
  const alike = alikeSets(difficulties)
  const variants = alike.length > 1 ? alike : stored.lesson.sets.map((_, i) => i)
  const apart = apartBy(variants.map((i) => difficulties[i] ?? null))
  const people = await database.query<{ id: string }>(
    `select id from users where id = any($1::uuid[]) and role = 'student' order by name, id`,
    [[...new Set(exam.students)]],
  )
  if (people.length !== new Set(exam.students).size) throw new HttpError(422, say('school.chooseStudent'))
  const frame = {
    ...stored.lesson.frame,
    mode: 'exam' as const,
    hints: null,
    limit: exam.minutes,
    handbook: exam.handbook,
  }
  const own = { ...stored, lesson: { ...stored.lesson, frame } }
  const made = new Map(
    await Promise.all(
      variants.map(async (set) => [set, await readyLesson(database, workers, own, set, instructor)] as const),
    ),
  )
  const seats = Object.fromEntries(people.map(({ id }, i) => [id, String(i + 1)]))
  const extra = Object.fromEntries(
    exam.more.students.map((id) => [id, Math.ceil((exam.minutes * exam.more.percent) / 100)]),
  )
  // Under the same key it is the same examination, however often it is asked for.
  const id = exam.key ?? randomUUID()
  const orders = variants.map((variant, v): HandOut => ({
    order: {
      ...made.get(variant)!,
      opens: exam.opens,
      exam: { exam: id, closes: exam.closes, variant, extra, seats },
    },
    // In turn along the seats: no neighbour has the same.
    students: people.filter((_, i) => i % variants.length === v).map((one) => one.id),
  }))
  await handOut(
    database,
    workers,
    orders.filter(({ students }) => students.length),
    instructor,
    { key: exam.key, before: (tx) => addExam(tx, id, exam, apart, instructor) },
  )
  return { id, apart }
}

const addExam = (
  tx: Queries,
  id: string,
  exam: NewExam,
  apart: number,
  instructor: Pick<User, 'id'>,
): Promise<unknown[]> =>
  tx.query(
    `insert into exams (id, name, lesson_id, instructor_id, opens_at, closes_at, minutes, room, handbook, apart)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      id,
      exam.name,
      exam.lesson,
      instructor.id,
      exam.opens,
      exam.closes,
      exam.minutes,
      exam.room,
      exam.handbook,
      apart,
    ],
  )

const rowSql = `select e.id, e.name, e.lesson_id as "lessonId", l.name as lesson, ${iso('e.opens_at')} as opens, ${iso('e.closes_at')} as closes, e.minutes,
    e.room, e.handbook, e.apart, ${iso('e.released_at')} as released,
    (select count(*)::int from current_orders o where o.exam_id = e.id) as students,
    (select count(*)::int from current_orders o where o.exam_id = e.id and o.started_at is not null) as begun,
    (select count(*)::int from current_orders o where o.exam_id = e.id and o.concluded_at is not null) as "handedIn"
  from exams e left join lessons l on l.id = e.lesson_id`

/** Examinations that are listed, the newest first. */
const mostExams = 100

export const listExams = (db: Queries): Promise<ExamRow[]> =>
  db.query<ExamRow>(`${rowSql} order by e.opens_at desc, e.id limit ${mostExams}`)

/** @throws HttpError 404 */
export async function loadExam(db: Queries, id: string): Promise<Exam> {
  const [exam] = await db.query<ExamRow>(`${rowSql} where e.id = $1`, [id])
  if (!exam) throw new HttpError(404, say('school.noExam'))
  const { lessonId } = exam
  const orders = await db.query<
    Exam['orders'][number] & { others: number | null; difficulty: number | null }
  >(
    `select o.id, u.name as student, o.station as seat, o.variant, o.extra_minutes::int as extra, ${iso('o.started_at')} as started,
       ${iso('o.concluded_at')} as concluded, r.found, r.mark, r.minutes,
       (select avg(x.mark)::float8 from current_results x where x.student_id = o.student_id and x.work_order_id <> o.id) as others,
       (select d.difficulty from difficulties d where d.circuit = r.circuit and d.fault = r.fault order by d.at desc limit 1) as difficulty
     from current_orders o join users u on u.id = o.student_id left join current_results r on r.work_order_id = o.id
     where o.exam_id = $1 order by u.name, o.id`,
    [id],
  )
  const lesson = lessonId === null ? undefined : await loadLesson(db, lessonId).catch(() => undefined)
  const variants = [...new Set(orders.map(({ variant }) => variant))].sort((a, b) => a - b)
  return {
    ...exam,
    orders: orders.map(({ others, difficulty, ...one }) => {
      void [others, difficulty]
      return one
    }),
    items: variants.map((variant) => {
      const own = orders.filter((one) => one.variant === variant)
      const marked = own.filter(({ mark }) => mark !== null)
      return {
        variant,
        name: lesson?.lesson.sets[variant]?.name ?? String(variant + 1),
        handedIn: own.filter(({ concluded }) => concluded !== null).length,
        found: own.filter(({ found }) => found).length,
        mark: mean(marked.map(({ mark }) => mark!)),
        minutes: mean(marked.flatMap(({ minutes }) => minutes ?? [])),
        difficulty: own.find((one) => one.difficulty !== null)?.difficulty ?? null,
        discrimination: correlation(
          marked.flatMap(({ mark, others }) => (others === null ? [] : [[mark!, others] as const])),
        ),
      }
    }),
  }
}

/**
 * Releases all reviews of an examination at once.
 * @throws HttpError 404, 409 while somebody may still be at work
 */
export async function releaseExam(db: Database, id: string): Promise<Exam> {
  return db.transaction(async (tx) => {
    await loadExam(tx, id)
    const open = await countOpen(tx, id)
    if (open) throw new HttpError(409, say('school.examRuns', { count: open }))
    await tx.query('update exams set released_at = coalesce(released_at, now()) where id = $1', [id])
    await releaseExamOrders(tx, id)
    return loadExam(tx, id)
  })
}

/** Takes an examination away that nobody has begun. @throws HttpError 404, 409 */
export async function removeExam(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const exam = await loadExam(tx, id)
    if (exam.begun) throw new HttpError(409, say('school.examBegun', { count: exam.begun }))
    await removeExamOrders(tx, id)
    await tx.query('delete from exams where id = $1', [id])
  })
}

/** How much of the Handbook is open to somebody: of examinations of theirs that are under way the strictest; null without one. */
export async function handbookFor(db: Queries, user: Pick<User, 'id'>): Promise<HandbookMode | null> {
  const rows = await db.query<{ handbook: HandbookMode }>(
    `select e.handbook from current_orders o join exams e on e.id = o.exam_id
     where o.student_id = $1 and o.started_at is not null and o.concluded_at is null and o.closes_at > now()`,
    [user.id],
  )
  const modes = rows.map(({ handbook }) => handbook)
  return (['closed', 'part', 'open'] as const).find((mode) => modes.includes(mode)) ?? null
}
