import { readFileSync } from 'node:fs'
import { brotliDecompressSync } from 'node:zlib'
import { defaultRubric, rubricDoor, type JudgedAttempt } from '../../core/assessment'
import { frameDoor, frameSchema, plantedDoor, type Action, type Frame } from '../../core/attempt'
import type { Lesson } from '../../core/lab'
import type { Queries } from '../database'
import { remark } from '../judging/results'
import type { Result } from '../judging/result'
import type { Progress } from '../judging/progress'
import { membersOf } from './members'
import { daysOfTerm, type TermDay } from './term-days'
import { addDrills } from './term-drills'
import { insertRows, iso, type TermRow } from './term-rows'

/** One attempt of the demo term, as `npm run term` has made it. */
interface Worked {
  readonly lesson: number
  readonly set: number
  /** Place among the students of all classes, from zero. */
  readonly student: number
  /** Place of the bench, from zero. */
  readonly stand: number
  readonly steps: readonly unknown[]
  /** Seconds from the beginning at which each step was taken. */
  readonly seconds: readonly number[]
  readonly bench: unknown
  readonly tests: number
}
export interface StoredAttempt extends Worked {
  readonly meeting: number
  readonly round: number
  readonly judged: JudgedAttempt
  readonly result: Result
}
/** Work that goes on, and what its student is going to do. */
export interface UnderWay extends Worked {
  readonly progress: Progress
  readonly actions: readonly Action[]
}
/** The demo school's term: students, what they were handed, how they worked, what the judge made of it. */
export interface Term {
  readonly seed: number
  /** Complaint of each set of each lesson. */
  readonly sets: readonly (readonly { readonly complaint: string; readonly facts: Frame['complaint'] }[])[]
  readonly classes: readonly {
    readonly name: string
    readonly students: readonly (readonly [login: string, name: string])[]
  }[]
  readonly attempts: readonly StoredAttempt[]
  readonly under: readonly UnderWay[]
}

const file = new URL('../../../demo/term.json.br', import.meta.url)

export const demoTerm = (): Term => JSON.parse(brotliDecompressSync(readFileSync(file)).toString()) as Term

/** Who and what the term is put on. */
export interface TermGround {
  readonly lessons: readonly Lesson[]
  readonly lessonIds: readonly string[]
  readonly instructor: string
  /** Accounts that are there already, by sign-in name. */
  readonly people: ReadonlyMap<string, string>
}

/** How many of the newest finished attempts wait for a review: some of today, some of yesterday. */
const waiting = { today: 4, yesterday: 2 }

/**
 * Puts the demo term into the school: two classes with a term behind them, yesterday's and today's lab day, work that waits
 * for a review and work that goes on. In the caller's transaction.
 * @param now ms since 1970: when the second round of today is under way
 */
export async function addTerm(db: Queries, term: Term, ground: TermGround, now: number): Promise<void> {
  const students = await addStudents(db, term, ground)
  const days = daysOfTerm(term, now)
  const classIds: string[] = []
  for (const c of term.classes.keys()) classIds.push(await addClass(db, c, ground, term, students, days))
  const dayIds = new Map<TermDay, string>()
  for (const day of days) dayIds.set(day, await addDay(db, day, classIds[day.class]!, ground, students))
  await addOrders(db, term, ground, students, days, dayIds, now)
  await addAnswers(db, ground.instructor)
  await addDrills(db, term, ground, students, classIds, now)
}

async function addStudents(db: Queries, term: Term, { people }: TermGround): Promise<string[]> {
  const ids: string[] = []
  for (const [login, name] of term.classes.flatMap((one) => one.students)) {
    const known = people.get(login)
    // Nobody signs in as these until an instructor gives them a password.
    const [row] = known
      ? [{ id: known }]
      : await db.query<{ id: string }>(
          `insert into users (login, name, role, password_hash) values ($1, $2, 'student', 'none') returning id`,
          [login, name],
        )
    ids.push(row!.id)
  }
  return ids
}

async function addClass(
  db: Queries,
  c: number,
  { instructor }: TermGround,
  term: Term,
  students: readonly string[],
  days: readonly TermDay[],
): Promise<string> {
  const first = days.find((day) => day.class === c)!
  const [row] = await db.query<{ id: string }>(
    'insert into classes (name, term, created_at) values ($1, $2, $3) returning id',
    [term.classes[c]!.name, termName(first.begins), new Date(first.begins - 86_400_000).toISOString()],
  )
  const id = row!.id
  const own = membersOf(term, c).map((n) => students[n]!)
  await db.query(
    'insert into class_members (class_id, user_id) select $1, id from unnest($2::uuid[]) t (id)',
    [id, own],
  )
  await db.query('insert into class_instructors (class_id, user_id) values ($1, $2)', [id, instructor])
  return id
}

/** As schools name their terms: by the year in which they begin. */
function termName(begins: number): string {
  const year = new Date(begins).getFullYear()
  return `${year}/${String((year + 1) % 100).padStart(2, '0')}`
}

async function addDay(
  db: Queries,
  { name, date, start, minutes, rounds, stands, out, word }: TermDay,
  classId: string,
  { lessonIds }: TermGround,
  students: readonly string[],
): Promise<string> {
  const body = {
    start,
    minutes,
    rounds,
    stands: stands.map(({ lesson, set }, i) => ({
      name: benchName(i),
      real: false,
      lesson: lessonIds[lesson]!,
      set,
      checked: [],
    })),
    groups: stands.map(({ student }) => [students[student]!]),
    // In a second round, each half goes on where the other began.
    seats: stands.map((_, i) =>
      Array.from({ length: rounds }, (_, round) => (i + (round * stands.length) / 2) % stands.length),
    ),
    out,
  }
  const [row] = await db.query<{ id: string }>(
    'insert into lab_days (name, day, class_id, body, word) values ($1, $2::date, $3, $4, $5) returning id',
    [name, date, classId, JSON.stringify(body), word],
  )
  return row!.id
}

const benchName = (stand: number) => `Bench ${stand + 1}`

/** Seconds between the last step and the end. */
const lastThoughts = 45
/** The same steps, in at most so many seconds. */
function within(seconds: readonly number[], most: number): readonly number[] {
  const pace = Math.min(1, most / Math.max(1, seconds.at(-1) ?? 0))
  return seconds.map((s) => s * pace)
}

async function addOrders(
  db: Queries,
  term: Term,
  ground: TermGround,
  students: readonly string[],
  days: readonly TermDay[],
  dayIds: ReadonlyMap<TermDay, string>,
  now: number,
): Promise<void> {
  const templates = await addTemplates(db, term, ground)
  const at = (lesson: number, set: number) => templates.get(`${lesson}.${set}`)!
  const classOf = (student: number) => term.classes.findIndex((_, c) => membersOf(term, c).includes(student))
  const rows: TermRow[] = term.attempts.map((work) => {
    const day = days.find((d) => d.class === classOf(work.student) && d.meeting === work.meeting)!
    const begun = day.roundBegins(work.round) + 1000 * ((work.student * 37) % 150)
    const seconds = within(work.seconds, (day.latest - begun) / 1000 - lastThoughts)
    const done = begun + 1000 * ((seconds.at(-1) ?? 0) + lastThoughts)
    return {
      student: students[work.student]!,
      template: at(work.lesson, work.set),
      day: dayIds.get(day)!,
      station: benchName(work.stand),
      round: work.round + 1,
      begun: iso(begun),
      done: iso(done),
      released: iso(day.released),
      work,
      seconds,
      judged: work.judged,
      result: work.result,
      progress: null,
    }
  })
  keepWaiting(rows, days, dayIds)
  const today = days.find((day) => day.today)!
  for (const work of term.under) {
    const begun = today.roundBegins(1) + 1000 * ((work.student * 37) % 150)
    rows.push({
      student: students[work.student]!,
      template: at(work.lesson, work.set),
      day: dayIds.get(today)!,
      station: benchName(work.stand),
      round: 2,
      begun: iso(begun),
      done: null,
      released: null,
      work,
      seconds: within(work.seconds, (now - begun) / 1000 - lastThoughts),
      judged: null,
      result: null,
      progress: work.steps.length ? work.progress : null,
    })
  }
  for (let i = 0; i < rows.length; i += 60) await insertRows(db, rows.slice(i, i + 60), ground.instructor)
  await db.query('drop table term_templates')
}

/** What was said and done about reviews that were given back, by how many weeks ago. */
const answers = [
  { week: 1, body: 'I wanted to be sure of the battery before I went on. Is that really wasted?' },
  { week: 2, body: 'The lead slipped off while I read. I saw it and measured again.' },
  { week: 4, body: 'I understand it now: nothing flowed, so nothing could be lost.' },
] as const
const raised = {
  week: 1,
  aspect: 'inference',
  points: 20,
  note: 'Said aloud at the bench what the reading cleared, and was right; it was only not entered.',
} as const

/** Some reviews have an answer of their student, one mark was raised by the instructor. */
async function addAnswers(db: Queries, instructor: string): Promise<void> {
  const given = (week: number, more: string) =>
    db.query<{ id: string; judged: JudgedAttempt; reason: string }>(
      `select o.id, j.body as judged from current_orders o join judgements j on j.work_order_id = o.id
         join current_results r on r.work_order_id = o.id join users u on u.id = o.student_id
       where o.released_at is not null and o.concluded_at < now() - interval '${week - 1} weeks' - interval '2 days' ${more}
       order by o.concluded_at desc, u.login limit 30`,
    )
  for (const { week, body } of answers)
    for (const { id, judged } of await given(week, `and (u.login = 'maeve' or ${week} > 1)`)) {
      const doubted = judged.judgements.find(({ share, verdict }) => verdict.code && (share ?? 1) < 0.6)
      if (!doubted) continue
      await db.query('insert into replies (work_order_id, step, verdict, body) values ($1, $2, $3, $4)', [
        id,
        doubted.step,
        doubted.verdict.code,
        body,
      ])
      break
    }
  const { week, aspect, points, note } = raised
  const [one] = await given(week, `and r.mark between 55 and 80`)
  if (!one) return
  await db.query(
    'insert into overrides (work_order_id, aspect, points, note, instructor_id) values ($1, $2, $3, $4, $5)',
    [one.id, aspect, points, note, instructor],
  )
  await remark(db, one.id)
}

/** The last of today's and of yesterday's wait for a review; the rest was given back. */
function keepWaiting(rows: TermRow[], days: readonly TermDay[], dayIds: ReadonlyMap<TermDay, string>): void {
  for (const [which, count] of [
    ['today', waiting.today],
    ['yesterday', waiting.yesterday],
  ] as const) {
    const day = days.find((one) => one[which])
    const last = rows
      .flatMap((row, i) => (day && row.day === dayIds.get(day) ? [i] : []))
      .sort((p, q) => rows[q]!.done!.localeCompare(rows[p]!.done!))
    for (const i of last.slice(0, count)) rows[i] = { ...rows[i]!, released: null }
  }
}

async function addTemplates(
  db: Queries,
  term: Term,
  { lessons, lessonIds }: TermGround,
): Promise<Map<string, number>> {
  await db.query(`create temporary table term_templates (n integer primary key, lesson uuid, circuit text, complaint text,
    document jsonb, faults jsonb, frame jsonb, rubric jsonb)`)
  const places = new Map<string, number>()
  for (const [l, lesson] of lessons.entries())
    for (const [s, { faults }] of lesson.sets.entries()) {
      const { complaint, facts } = term.sets[l]![s]!
      const n = places.size
      places.set(`${l}.${s}`, n)
      await db.query('insert into term_templates values ($1, $2, $3, $4, $5, $6, $7, $8)', [
        n,
        lessonIds[l]!,
        lesson.circuit.name,
        complaint,
        JSON.stringify(lesson.circuit),
        JSON.stringify(plantedDoor.write({ list: [...faults] })),
        JSON.stringify(frameDoor.write(frameSchema.parse({ ...lesson.frame, complaint: facts }))),
        JSON.stringify(rubricDoor.write(defaultRubric)),
      ])
    }
  return places
}
