import { defaultRubric, type JudgedAttempt } from '../../core/assessment'
import type { Queries } from '../database'
import { engineDigest, rubricDigest } from '../judging/judgements'
import type { Progress } from '../judging/progress'
import type { Result } from '../judging/result'
import { markOf } from '../judging/results'

/** Many orders with all that was done on them, written in few statements: the demo school’s term. */

export const iso = (ms: number) => new Date(ms).toISOString()

/** One order as a row: whose, of what, when. */
export interface TermRow {
  readonly student: string
  readonly template: number
  readonly day: string
  readonly station: string
  readonly round: number
  readonly begun: string
  readonly done: string | null
  readonly released: string | null
  readonly work: { readonly steps: readonly unknown[]; readonly bench: unknown; readonly tests: number }
  /** Seconds from the beginning at which each step was taken: hurried where the day would not hold them. */
  readonly seconds: readonly number[]
  readonly judged: JudgedAttempt | null
  readonly result: Result | null
  readonly progress: Progress | null
}

/**
 * Writes orders, steps, judgements and results of rows whose templates stand in `term_templates`.
 * @param instructor who handed them out
 */
export async function insertRows(db: Queries, rows: readonly TermRow[], instructor: string): Promise<void> {
  const made = await db.query<{ id: string; n: number }>(
    `with given as (
       select gen_random_uuid() as id, g.* from jsonb_to_recordset($1::jsonb) as g (n int, student uuid, template int, day uuid,
         station text, round int, begun timestamptz, done timestamptz, released timestamptz, taken int, bench jsonb, tests int)),
     added as (
       insert into work_orders (id, student_id, instructor_id, lesson_id, complaint, document, circuit, faults, frame, rubric,
         created_at, started_at, concluded_at, released_at, judged_at, lab_day_id, station, round, taken, bench, tests, hints)
       select g.id, g.student, $2, t.lesson, t.complaint, t.document, t.circuit, t.faults, t.frame, t.rubric, g.begun,
         case when g.taken > 0 then g.begun end, g.done, g.released, g.done, g.day, g.station, g.round, g.taken, g.bench, g.tests, 0
       from given g join term_templates t on t.n = g.template)
     select id, n from given`,
    [
      JSON.stringify(
        rows.map(({ work, ...row }, n) => ({
          n,
          student: row.student,
          template: row.template,
          day: row.day,
          station: row.station,
          round: row.round,
          begun: row.begun,
          done: row.done,
          released: row.released,
          taken: work.steps.length,
          bench: work.steps.length ? work.bench : null,
          tests: work.tests,
        })),
      ),
      instructor,
    ],
  )
  const idOf = new Map(made.map(({ id, n }) => [n, id]))
  await db.query(
    `insert into steps (work_order_id, position, key, body, at)
     select s.id, s.position, gen_random_uuid(), s.body, s.at
     from jsonb_to_recordset($1::jsonb) as s (id uuid, position int, body jsonb, at timestamptz)`,
    [
      JSON.stringify(
        rows.flatMap(({ work, begun, seconds }, n) =>
          work.steps.map((body, position) => ({
            id: idOf.get(n),
            position,
            body,
            at: iso(Date.parse(begun) + 1000 * seconds[position]!),
          })),
        ),
      ),
    ],
  )
  await insertJudged(db, rows, idOf)
  await db.query(
    `insert into attempt_progress (work_order_id, steps, suspects, idle, unsafe, total)
     select p.id, p.steps, p.suspects, p.idle, p.unsafe, p.total
     from jsonb_to_recordset($1::jsonb) as p (id uuid, steps int, suspects jsonb, idle int, unsafe jsonb, total float8)`,
    [
      JSON.stringify(
        rows.flatMap(({ progress, work }, n) =>
          progress
            ? [
                {
                  id: idOf.get(n),
                  steps: work.steps.length,
                  suspects: progress.left ?? [],
                  idle: progress.idle,
                  unsafe: progress.unsafe,
                  total: progress.total,
                },
              ]
            : [],
        ),
      ),
    ],
  )
}

async function insertJudged(
  db: Queries,
  rows: readonly TermRow[],
  idOf: ReadonlyMap<number, string>,
): Promise<void> {
  const judged = rows.flatMap(({ judged, result, student, done }, n) =>
    judged && result ? [{ id: idOf.get(n), student, done, judged, result, mark: markOf(judged, []) }] : [],
  )
  await db.query(
    `insert into judgements (work_order_id, sign, body, at)
     select j.id, 'term', j.judged, j.done from jsonb_to_recordset($1::jsonb) as j (id uuid, judged jsonb, done timestamptz)`,
    [JSON.stringify(judged)],
  )
  await db.query(
    `insert into attempt_results (work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks,
       total, most, uncapped, mark, evidence, verdicts, wrong, sure, engine, rubric, at)
     select j.id, j.student, j.done, j.result->>'circuit', j.result->>'fault', (j.result->>'found')::boolean,
       (j.result->>'tests')::int, (j.result->>'minutes')::float8, (j.result->>'doubt')::float8, j.judged->'marks',
       (j.judged->>'total')::float8, (j.judged->>'of')::float8, (j.judged->>'uncapped')::float8, j.mark, j.result->'evidence',
       array(select jsonb_array_elements_text(j.result->'verdicts')), j.result->>'wrong', (j.result->>'sure')::int, $2, $3, j.done
     from jsonb_to_recordset($1::jsonb) as j (id uuid, student uuid, done timestamptz, judged jsonb, result jsonb, mark float8)`,
    [JSON.stringify(judged), engineDigest, rubricDigest(defaultRubric)],
  )
}
