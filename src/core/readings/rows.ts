import { formatQuantity } from '../../core/quantity'
import type { AnswerKey, StateKey } from '../../core/readings'

/** What a row of the answer key is picked and put in order by. */
export interface Sortable {
  readonly id: string
  readonly words: string
  readonly size: number
  readonly difference: number
  /** The fault shows here. */
  readonly bad: boolean
}
export type Arrange = <T extends Sortable>(rows: readonly T[]) => T[]

/** Volts as they are written in tables; a point that nothing holds floats. */
export const volts = (v: number | undefined): string =>
  v === undefined ? 'floating' : formatQuantity(v, 'V')

const between = (healthy: number | undefined, faulted: number | undefined) =>
  healthy === undefined || faulted === undefined ? undefined : faulted - healthy

const written = (difference: number | undefined): string =>
  difference === undefined ? '' : Math.abs(difference) < 0.0005 ? '–' : volts(difference)

/** Rows of all points that a lead can reach, healthy beside faulted. */
export const pointRows = (state: StateKey, faulted: StateKey | null) =>
  state.points.flatMap((row, i) => {
    if (row.inside) return []
    const other = faulted?.points[i]
    const difference = between(row.value, other?.value)
    return [
      {
        ...row,
        id: row.name,
        words: `${row.name} ${row.title}`,
        size: Math.abs(row.value ?? 0),
        shown: volts(row.value),
        spread: row.value === undefined ? '' : `± ${volts(row.band)}`,
        other: other ? volts(other.value) : '',
        difference: Math.abs(difference ?? 0),
        text: written(difference),
        bad:
          !!other && (difference === undefined ? row.value !== other.value : Math.abs(difference) > row.band),
      },
    ]
  })

/** Rows of the pieces of all paths, or of one of them, healthy beside faulted. */
export const dropRows = (state: StateKey, faulted: StateKey | null, path = -1) =>
  (path < 0 ? state.drops : state.walks[path]!).map((drop) => {
    const other = faulted?.drops.find((d) => d.part === drop.part && d.segment === drop.segment)
    const difference = between(drop.value, other?.value)
    return {
      ...drop,
      id: `${drop.part}.${drop.segment}`,
      words: `${drop.part} ${drop.name} ${drop.from} ${drop.to} ${drop.side}`,
      size: Math.abs(drop.value ?? 0),
      difference: Math.abs(difference ?? 0),
      shown: volts(drop.value),
      other: other ? volts(other.value) : '',
      amps: (other ?? drop).amps,
      text: written(difference),
      bad: difference !== undefined && difference > Math.max(0.1, drop.band),
    }
  })

const beep = (beeps: boolean): string => (beeps ? 'beep' : 'no beep')

/** Rows of each part by itself on the ohmmeter, sound beside faulted. */
export const isolatedRows = (healthy: AnswerKey['isolated'], faulted: AnswerKey['isolated'] | null) =>
  healthy.map((row, i) => {
    const other = faulted?.[i]
    const [good, now] = [row.ohms.value ?? 1e9, other?.ohms.value ?? 1e9]
    return {
      id: `${row.part} ${row.between}`,
      words: `${row.part} ${row.name} ${row.between}`,
      part: `${row.part} ${row.name}`,
      between: row.between,
      size: good,
      difference: other ? Math.abs(now - good) : 0,
      shown: row.ohms.text,
      beeps: beep(row.continuity.beeps),
      other: other?.ohms.text ?? '',
      otherBeeps: other ? beep(other.continuity.beeps) : '',
      bad: !!other && other.ohms.text !== row.ohms.text,
    }
  })
