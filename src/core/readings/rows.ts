import { figures, say, messageOf, verbatim, type Words } from '../document'
import { formatQuantity } from '../quantity'
import { isApart, passing } from './detectability'
import type { AnswerKey, FuseRow, PlaceRow, StateKey } from './key'

/** What a row of the answer key is picked and put in order by. */
export interface Sortable {
  readonly id: string
  /** Where: a point, from one point to another, a measuring place. */
  readonly at: string
  readonly title: Words
  readonly size: number
  readonly difference: number
  /** The fault shows here. */
  readonly bad: boolean
}
export type Arrange = <T extends Sortable>(rows: readonly T[]) => T[]

/** A quantity, healthy beside faulted, as every table of the key has it. SI units; undefined for what floats. */
export interface Figure extends Sortable {
  readonly quantity: 'voltage' | 'drop' | 'ohms' | 'fuse drop' | 'clamp'
  readonly unit: 'V' | 'Ω' | 'A'
  readonly part: string
  readonly healthy: number | undefined
  readonly band: number | undefined
  /** Undefined where there is no faulted board, or where it floats there; `beside` tells them apart. */
  readonly faulted: number | undefined
  readonly beside: boolean
  readonly change: number | undefined
}

/**
 * Volts as they are written in tables; a point that nothing holds floats.
 * @param v V
 */
export const writeVolts = (v: number | undefined): Words =>
  v === undefined ? 'readings.floating' : figures(formatQuantity(v, 'V'))

function figure(
  part: Pick<Figure, 'id' | 'quantity' | 'unit' | 'at' | 'title' | 'part' | 'band'>,
  healthy: number | undefined,
  other: { readonly value: number | undefined } | undefined,
  /** Half-width within which a reading passes for the healthy one. */
  within: number,
): Figure {
  const faulted = other?.value
  const change = healthy === undefined || faulted === undefined ? undefined : faulted - healthy
  const size = Math.abs(change ?? 0)
  return {
    ...part,
    healthy,
    faulted,
    beside: other !== undefined,
    change,
    size: Math.abs(healthy ?? 0),
    difference: size,
    bad: other !== undefined && isApart(healthy, faulted, within),
  }
}

export interface PointFigure extends Figure {
  readonly node: number
}
/** Rows of all points that a lead can reach. */
export const pointRows = (state: StateKey, faulted: StateKey | null): PointFigure[] =>
  state.points.flatMap((row, i) => {
    if (row.inside) return []
    const { name, title, band, node } = row
    const head = { id: name, at: name, title, part: '', band } as const
    const made = figure(
      { ...head, quantity: 'voltage', unit: 'V' },
      row.value,
      faulted?.points[i],
      passing.volts(row.band),
    )
    return [{ ...made, node }]
  })

export interface DropFigure extends Figure {
  readonly name: Words
  readonly side: 'feed' | 'load' | 'return'
  /** Amps of the faulted board where there is one. */
  readonly amps: number
}
/**
 * Rows of the pieces of all paths, or of one of them.
 * @param path index of the path; all paths where it is left out
 */
export const dropRows = (state: StateKey, faulted: StateKey | null, path = -1): DropFigure[] =>
  (path < 0 ? state.drops : state.walks[path]!).map((drop) => {
    const { part, segment, name, from, to, side, band } = drop
    const other = faulted?.drops.find((d) => d.part === part && d.segment === segment)
    const head = {
      id: `${part}.${segment}`,
      at: `${from} – ${to}`,
      title: say('readings.pieceOf', { part, name: messageOf(name) }),
      part,
      band,
    } as const
    const made = figure({ ...head, quantity: 'drop', unit: 'V' }, drop.value, other, passing.volts(band))
    return { ...made, name, side, amps: (other ?? drop).amps }
  })

export interface IsolatedFigure extends Figure {
  readonly shown: string
  readonly other: string
  readonly beeps: boolean
  readonly otherBeeps: boolean | undefined
}
/** Rows of each part by itself on the ohmmeter. */
export const isolatedTable = (
  healthy: AnswerKey['isolated'],
  faulted: AnswerKey['isolated'] | null,
): IsolatedFigure[] =>
  healthy.map((row, i) => {
    const other = faulted?.[i]
    const open = 1e9
    const head = {
      id: `${row.part} ${row.between}`,
      at: row.between,
      title: say('readings.pieceOf', { part: row.part, name: row.name }),
      part: row.part,
      band: undefined,
    } as const
    const made = figure(
      { ...head, quantity: 'ohms', unit: 'Ω' },
      row.ohms.value,
      other?.ohms,
      passing.ohms(row.ohms.value ?? 0),
    )
    return {
      ...made,
      size: row.ohms.value ?? open,
      difference: other ? Math.abs((other.ohms.value ?? open) - (row.ohms.value ?? open)) : 0,
      shown: row.ohms.text,
      other: other?.ohms.text ?? '',
      beeps: row.continuity.beeps,
      otherBeeps: other?.continuity.beeps,
    }
  })

export interface FuseFigure extends Figure {
  readonly name: string
  /** Of the faulted board where there is one. */
  readonly now: FuseRow
}
/** Rows of each fuse's millivolts, with what the table makes of them. */
export const fuseTable = (state: StateKey, faulted: StateKey | null): FuseFigure[] =>
  state.fuses.map((row, i) => {
    const { part, name, band } = row
    const other = faulted?.fuses[i]
    const head = { id: part, at: 'test tabs', title: verbatim(name), part, band } as const
    const made = figure({ ...head, quantity: 'fuse drop', unit: 'V' }, row.value, other, passing.volts(band))
    return { ...made, name, now: other ?? row }
  })

export interface ClampFigure extends Figure {
  readonly name: string
  readonly now: PlaceRow
}
/** Rows of what a clamp reads at each measuring place. */
export const clampTable = (state: StateKey, faulted: StateKey | null): ClampFigure[] =>
  state.places.map((row, i) => {
    const { place, name, bundle, amps } = row
    const other = faulted?.places[i]
    const head = {
      id: place,
      at: place,
      title: verbatim(name),
      part: bundle,
      band: undefined,
    } as const
    const made = figure(
      { ...head, quantity: 'clamp', unit: 'A' },
      amps,
      other && { value: other.amps },
      passing.clamp(amps),
    )
    return { ...made, name, now: other ?? row }
  })
