import type { FloorRow } from '../../../contract/floor'

/** Tests in a row that tell nothing, and minutes without a step, from which somebody is stuck (common practice, no source). */
const stuckTests = 3
const stuckMinutes = 8

export type Need = 'unsafe' | 'stopped' | 'stuck' | 'waiting' | 'working' | 'new' | 'done'

/** Why an instructor should go there, the most pressing first. */
export function needOf(row: FloorRow, now: number): Need {
  if (row.concluded) return row.released ? 'done' : 'waiting'
  if (row.stopped !== null) return 'stopped'
  if (row.unsafe.length) return 'unsafe'
  if (row.began === null) return 'new'
  const since = (now - Date.parse(row.at ?? row.began)) / 60_000
  return row.idle >= stuckTests || since >= stuckMinutes ? 'stuck' : 'working'
}

const order: readonly Need[] = ['unsafe', 'stopped', 'stuck', 'waiting', 'working', 'new', 'done']

/** Who needs me comes first; among equals who has been at it longest. */
export const byNeed = (rows: readonly FloorRow[], now: number): FloorRow[] =>
  [...rows].sort(
    (a, b) =>
      order.indexOf(needOf(a, now)) - order.indexOf(needOf(b, now)) ||
      (a.began ?? a.created).localeCompare(b.began ?? b.created),
  )
