import type { FloorBase } from '../../contract/floor-base'

/** Tests in a row that tell nothing, and minutes without a step, from which somebody is stuck (common practice, no source). */
const stuckTests = 3
const stuckMinutes = 8

/** The most pressing first. */
export const needs = ['unsafe', 'stopped', 'stuck', 'working', 'waiting', 'new', 'done'] as const
export type Need = (typeof needs)[number]

/** Why an instructor should go there. */
export function needOf(row: FloorBase, now: number): Need {
  if (row.concluded) return row.released ? 'done' : 'waiting'
  if (row.stopped !== null) return 'stopped'
  if (row.unsafe.length) return 'unsafe'
  if (row.began === null) return 'new'
  const since = (now - Date.parse(row.at ?? row.began)) / 60_000
  return row.idle >= stuckTests || since >= stuckMinutes ? 'stuck' : 'working'
}

/** Who needs me comes first; among equals who has been at it longest. */
export const byNeed = <Row extends FloorBase>(rows: readonly Row[], now: number): Row[] =>
  [...rows].sort(
    (a, b) =>
      needs.indexOf(needOf(a, now)) - needs.indexOf(needOf(b, now)) ||
      (a.began ?? a.created).localeCompare(b.began ?? b.created),
  )

/** Which rows are looked at. */
export const filters = {
  all: needs,
  needMe: ['unsafe', 'stopped', 'stuck'],
  atWork: ['unsafe', 'stopped', 'stuck', 'working'],
  notBegun: ['new'],
  finished: ['waiting', 'done'],
} as const satisfies Record<string, readonly Need[]>
export type Filter = keyof typeof filters

/** Minutes since it was begun; null before. */
export const minutesOf = (row: FloorBase, now: number): number | null =>
  row.began
    ? Math.max(
        0,
        Math.floor(((row.concluded ? Date.parse(row.concluded) : now) - Date.parse(row.began)) / 60_000),
      )
    : null
