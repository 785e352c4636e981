import type { FloorRow } from '../../contract'
import type { JudgedAttempt } from '../../core/assessment'
import type { Step } from '../../core/attempt'
import { often, type Queries } from '../database'

/** Table `attempt_progress`: what the judge makes of work that goes on, as the Floor shows it. */

/** What the judge adds to a row of the Floor. */
export type Progress = Pick<FloorRow, 'left' | 'idle' | 'unsafe' | 'total'>

/** A grave error of safety is said at once, and loudly. */
const unsafeOf = (judged: JudgedAttempt): Progress['unsafe'] =>
  judged.judgements
    .filter(({ aspect, share }) => aspect === 'safety' && share !== undefined && share < 1)
    .map(({ step, verdict, reason }) => ({ step, what: verdict.code ? verdict : reason }))

/** Tests at the end that removed nobody from the suspects. */
function idleOf(steps: readonly Step[], left: readonly number[]): number {
  let idle = 0
  for (let i = steps.length - 1; i > 0; i--) {
    if (steps[i]!.type !== 'test') continue
    if (left[i]! < left[i - 1]!) break
    idle++
  }
  return idle
}

export function progressOf(steps: readonly Step[], judged: JudgedAttempt): Progress {
  const left = judged.suspects.map((one) => one.length)
  return { left, idle: idleOf(steps, left), unsafe: unsafeOf(judged), total: judged.total }
}

/** Keeps it, unless more steps have been looked at meanwhile, by another process. */
export const keepProgress = (
  db: Queries,
  id: string,
  steps: number,
  { left, idle, unsafe, total }: Progress,
): Promise<unknown[]> =>
  db.query(
    often(`insert into attempt_progress (work_order_id, steps, suspects, idle, unsafe, total) values ($1, $2, $3, $4, $5, $6)
     on conflict (work_order_id) do update set steps = excluded.steps, suspects = excluded.suspects, idle = excluded.idle,
       unsafe = excluded.unsafe, total = excluded.total, at = now() where attempt_progress.steps <= excluded.steps`),
    [id, steps, JSON.stringify(left ?? []), idle, JSON.stringify(unsafe), total],
  )

/** Columns of `attempt_progress p`, joined from the left, as `Progress` has them. */
export const progressColumns =
  'p.suspects as "left", coalesce(p.idle, 0) as idle, coalesce(p.unsafe, \'[]\') as unsafe, p.total'
