import { createHash } from 'node:crypto'
import { judgedSchema, type JudgedAttempt, type Rubric } from '../../core/assessment'
import type { Step } from '../../core/attempt'
import { often, type Queries } from '../database'
import type { Order } from '../orders/orders'
import { engineCode } from './engine-code'

/** Table `judgements`: each attempt as it was judged last, with a digest of the steps, rubric and engine it was judged by. */

const short = (value: unknown): string =>
  createHash('sha256').update(JSON.stringify(value)).digest('hex').slice(0, 16)

/** What judges: another digest, and the same attempt may be judged otherwise. */
export const engineDigest = short(engineCode)
export const rubricDigest = (rubric: Rubric): string => short(rubric)

export const signOf = (order: Pick<Order, 'rubric'>, steps: readonly Step[]): string =>
  createHash('sha256')
    .update(JSON.stringify([engineCode, order.rubric, steps]))
    .digest('hex')

/**
 * The judgement of an attempt as it was kept. Finished work stays as it was judged, whatever engine is new since; of work
 * that goes on it counts only where no step has come since.
 */
export async function keptJudgement(
  db: Queries,
  order: Pick<Order, 'id' | 'rubric' | 'judged'>,
  steps: readonly Step[],
): Promise<JudgedAttempt | null> {
  const [kept] = await db.query<{ sign: string; body: unknown }>(
    often('select sign, body from judgements where work_order_id = $1'),
    [order.id],
  )
  if (!kept || (!order.judged && kept.sign !== signOf(order, steps))) return null
  const read = judgedSchema.safeParse(kept.body)
  return read.success ? read.data : null
}

/** The judgement that was kept last, whatever it was judged by; undefined where there is none that can be read. */
export async function lastJudgement(db: Queries, id: string): Promise<JudgedAttempt | undefined> {
  const [kept] = await db.query<{ body: unknown }>('select body from judgements where work_order_id = $1', [
    id,
  ])
  return kept && judgedSchema.safeParse(kept.body).data
}

export const keepJudgement = (
  db: Queries,
  id: string,
  sign: string,
  judged: JudgedAttempt,
): Promise<unknown[]> =>
  db.query(
    `insert into judgements (work_order_id, sign, body) values ($1, $2, $3)
     on conflict (work_order_id) do update set sign = excluded.sign, body = excluded.body, at = now()`,
    [id, sign, JSON.stringify(judged)],
  )
