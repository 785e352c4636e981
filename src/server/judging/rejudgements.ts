import { say } from '../../core/document'
import { judgedSchema, type JudgedAttempt } from '../../core/assessment'
import type { Database, Queries } from '../database'
import { loadOrder, loadSteps } from '../orders/orders'
import { loadOverrides } from '../orders/overrides'
import { HttpError } from '../http/http-error'
import { keepJudgement } from './judgements'
import { resultOf } from './result'
import { keepResult, markOf, sayMarkedAnew } from './results'

/**
 * Table `rejudgements`: what a newer judge would make of an attempt whose mark its student has been given. It waits until an
 * instructor says whether the mark changes.
 */

export const keepRejudgement = (
  tx: Queries,
  id: string,
  sign: string,
  judged: JudgedAttempt,
  mark: number,
): Promise<unknown[]> =>
  tx.query(
    `insert into rejudgements (work_order_id, sign, body, mark) values ($1, $2, $3, $4)
     on conflict (work_order_id) do update set sign = excluded.sign, body = excluded.body, mark = excluded.mark,
       declined = false, at = now()`,
    [id, sign, JSON.stringify(judged), mark],
  )

export const forgetRejudgement = (tx: Queries, id: string): Promise<unknown[]> =>
  tx.query('delete from rejudgements where work_order_id = $1', [id])

/** The mark that a newer judge would give, of 100; null where there is nothing to decide. */
export async function waitingMark(db: Queries, id: string): Promise<number | null> {
  const [row] = await db.query<{ mark: number }>(
    'select mark from rejudgements where work_order_id = $1 and not declined',
    [id],
  )
  return row?.mark ?? null
}

/** How many marks wait for an instructor's word. */
export async function countWaiting(db: Queries): Promise<number> {
  const [row] = await db.query<{ count: number }>(
    `select count(*)::int as count from rejudgements r join current_orders o on o.id = r.work_order_id
     where not r.declined`,
  )
  return row!.count
}

/**
 * Takes what the newer judge says in place of the mark that was given, and says so to the student; or leaves the mark.
 * @throws HttpError 404 where nothing waits
 */
export async function settleRejudgement(database: Database, id: string, taken: boolean): Promise<void> {
  const order = await loadOrder(database, id)
  const steps = (await loadSteps(database, id)).map(({ step }) => step)
  await database.transaction(async (tx) => {
    const [row] = await tx.query<{ sign: string; body: unknown }>(
      'select sign, body from rejudgements where work_order_id = $1 and not declined for update',
      [id],
    )
    if (!row) throw new HttpError(404, say('school.nothingWaits'))
    if (!taken) {
      await tx.query('update rejudgements set declined = true where work_order_id = $1', [id])
      return
    }
    const judged = judgedSchema.parse(row.body)
    const [old] = await tx.query<{ mark: number }>(
      'select mark from current_results where work_order_id = $1 for update',
      [id],
    )
    await keepJudgement(tx, id, row.sign, judged)
    await keepResult(tx, order, resultOf(order, steps, judged), judged)
    if (old && old.mark !== markOf(judged, await loadOverrides(tx, id))) await sayMarkedAnew(tx, id, old.mark)
    await forgetRejudgement(tx, id)
  })
}
