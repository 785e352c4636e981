import type { Queries } from '../database'
import { setNow } from './facts'

/** Days that a school may be closed without its clock being doubted: the longest holidays. */
const longestClosed = 40
/** Minutes by which a clock may be set back without being doubted. */
const setBack = 60

/** `ahead`: it has jumped further than any holidays; `behind`: it shows a time that was over already. */
export type Clock = 'steady' | 'ahead' | 'behind'

const fact = 'clock'

/**
 * Whether the clock can be trusted with what cannot be taken back, such as erasing what is old. It is compared with the
 * last time at which it was trusted, or with the newest work where there is none yet; a trusted one is remembered. Looked
 * at every hour (`housekeeping`).
 */
export async function lookAtClock(db: Queries): Promise<Clock> {
  const [row] = await db.query<{ trusted: string | null; since: number }>(
    `select trusted, extract(epoch from now() - coalesce(trusted, now()))::float8 as since from (
       select coalesce((select body::timestamptz from facts where name = $1), (select max(created_at) from work_orders))
         as trusted) known`,
    [fact],
  )
  const since = row!.since
  if (since < -60 * setBack) return 'behind'
  if (since > 86_400 * longestClosed) return 'ahead'
  if (since >= 0) await trustClock(db)
  return 'steady'
}

/** Somebody who has looked at a calendar says that the clock is right. */
export const trustClock = (db: Queries): Promise<unknown[]> => setNow(db, fact)
