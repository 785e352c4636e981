import { givenTotal, type JudgedAttempt, type Mark } from '../../core/assessment'
import type { Queries } from '../database'
import { iso, noteJudged, type Order } from '../orders/orders'
import { loadOverrides } from '../orders/overrides'
import { engineDigest, rubricDigest } from './judgements'
import type { Result } from './result'

/** Table `attempt_results`: one row for each finished attempt, written when it is judged. */

/** The judge's marks as they are kept beside a result. */
export interface GivenMarks {
  readonly marks: readonly Mark[]
  readonly total: number
  readonly of: number
  readonly uncapped?: number | undefined
}

/** The mark that counts, of 100. */
export const markOf = (given: GivenMarks, overrides: Parameters<typeof givenTotal>[1]): number =>
  (100 * givenTotal(given, overrides)) / Math.max(1, given.of)

/** What has judged work of before there were results: whatever it was, it is looked at anew. */
export const engineOfBefore = 'before'

/** Writes the result of a finished attempt in place of an earlier one; it is judged from then on. */
export async function keepResult(
  tx: Queries,
  order: Pick<Order, 'id' | 'rubric'>,
  result: Result,
  judged: JudgedAttempt,
  engine = engineDigest,
): Promise<void> {
  const mark = markOf(judged, await loadOverrides(tx, order.id))
  await tx.query(
    `insert into attempt_results (work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks,
       total, most, uncapped, mark, evidence, verdicts, wrong, sure, engine, rubric)
     select id, student_id, concluded_at, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18
       from current_orders where id = $1 and concluded_at is not null
     on conflict (work_order_id) do update set circuit = excluded.circuit, fault = excluded.fault, found = excluded.found,
       tests = excluded.tests, minutes = excluded.minutes, doubt = excluded.doubt, marks = excluded.marks,
       total = excluded.total, most = excluded.most, uncapped = excluded.uncapped, mark = excluded.mark,
       evidence = excluded.evidence, verdicts = excluded.verdicts, wrong = excluded.wrong, sure = excluded.sure,
       engine = excluded.engine, rubric = excluded.rubric, at = now(), learned = false`,
    [
      order.id,
      result.circuit,
      result.fault,
      result.found,
      result.tests,
      result.minutes,
      result.doubt,
      JSON.stringify(judged.marks),
      judged.total,
      judged.of,
      judged.uncapped ?? null,
      mark,
      JSON.stringify(result.evidence),
      result.verdicts,
      result.wrong,
      result.sure,
      engine,
      rubricDigest(order.rubric),
    ],
  )
  await noteJudged(tx, order.id)
}

/** The mark that counts, anew, after an instructor has put another in place of the judge's or taken it back. */
export async function remark(tx: Queries, id: string): Promise<void> {
  const [row] = await tx.query<GivenMarks>(
    'select marks, total, most as of, uncapped from current_results where work_order_id = $1 for update',
    [id],
  )
  if (!row) return
  const mark = markOf({ ...row, uncapped: row.uncapped ?? undefined }, await loadOverrides(tx, id))
  await tx.query('update attempt_results set mark = $2 where work_order_id = $1', [id, mark])
}

/** What an attempt says beside its mark has been taken down. */
export const keepLearned = (tx: Queries, id: string): Promise<unknown[]> =>
  tx.query('update attempt_results set learned = true where work_order_id = $1', [id])

/** Attempts of which it has not, the newest first. */
export async function unlearned(db: Queries, most: number): Promise<string[]> {
  const rows = await db.query<{ id: string }>(
    `select work_order_id as id from current_results where not learned order by concluded_at desc limit $1`,
    [most],
  )
  return rows.map(({ id }) => id)
}

/** The results of work that goes into the bin go with it, and come back with it. */
export const binResults = (tx: Queries, ids: readonly string[], binned: boolean): Promise<unknown[]> =>
  tx.query(
    `update attempt_results set binned_at = ${binned ? 'now()' : 'null'} where work_order_id = any($1::uuid[])`,
    [ids],
  )

/** The engine that has judged it is the newest: what it would say anew has been looked at. */
export const keepEngine = (tx: Queries, id: string): Promise<unknown[]> =>
  tx.query('update attempt_results set engine = $2 where work_order_id = $1', [id, engineDigest])

/** Says of a mark that had been given back what it was before. */
export const sayMarkedAnew = (tx: Queries, id: string, before: number): Promise<unknown[]> =>
  tx.query('update attempt_results set marked_before = $2, marked_anew_at = now() where work_order_id = $1', [
    id,
    before,
  ])

/** When a mark was changed after it had been given back, and what it was before; null where it was not. */
export async function markedAnew(db: Queries, id: string): Promise<{ at: string; before: number } | null> {
  const [row] = await db.query<{ at: string; before: number }>(
    `select ${iso('marked_anew_at')} as at, marked_before as before from current_results
     where work_order_id = $1 and marked_anew_at is not null`,
    [id],
  )
  return row ?? null
}

/** Whether all there is was judged by the engine that runs now: told by the two ends of an index. */
async function allByThis(db: Queries): Promise<boolean> {
  const [ends] = await db.query<{ first: string | null; last: string | null }>(
    'select min(engine) as first, max(engine) as last from current_results',
  )
  return [ends!.first, ends!.last].every((engine) => engine === null || engine === engineDigest)
}

/** Finished attempts that another engine has judged, the newest first, at most so many. */
export async function judgedByOthers(db: Queries, most: number): Promise<string[]> {
  if (await allByThis(db)) return []
  const engines = await db.query<{ engine: string }>('select distinct engine from current_results')
  const others = engines.map(({ engine }) => engine).filter((engine) => engine !== engineDigest)
  const rows = await db.query<{ id: string }>(
    `select work_order_id as id from current_results where engine = any($1::text[]) order by concluded_at desc limit $2`,
    [others, most],
  )
  return rows.map(({ id }) => id)
}

/**
 * How many finished attempts there are, and how many of them the engine that runs now has judged; nothing is counted where
 * that is all of them.
 */
export async function countJudged(db: Queries): Promise<{ readonly all: number; readonly done: number }> {
  const left = 'select 1 from current_orders where concluded_at is not null and judged_at is null'
  const [open] = await db.query<{ any: boolean }>(`select exists (${left}) as any`)
  if (!open!.any && (await allByThis(db))) return { all: 0, done: 0 }
  const [row] = await db.query<{ all: number; done: number }>(
    `select (select count(*)::int from (${left}) o) + (select count(*)::int from current_results) as all,
       (select count(*)::int from current_results where engine = $1) as done`,
    [engineDigest],
  )
  return row!
}
