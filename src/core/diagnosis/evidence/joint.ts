import { shiftsBetween, tolerancesOf } from '../../board'
import { refOf } from '../../circuit'
import { expectedVolts, instrumentOf, voltsAccuracy, type MeterType } from '../../instruments'
import type { Fact, Measured } from './fact'
import type { SweepPoint } from '../posterior/severity-sweep'

/**
 * One real board has one set of tolerances: a battery that stands high for one reading does so for all. Readings of
 * volts are therefore judged together, by their differences from what a board shows and by how the tolerances of its
 * parts would move them together (to first order; the sum over its parts, each evenly spread over ± its tolerance).
 */
export interface ReadingResidual {
  /** Volts by which the reading lies above what the board shows. */
  readonly off: number
  /** Variance of the meter alone. */
  readonly own: number
  /** What each tolerance adds to the reading, by its number. */
  readonly shifts: readonly { readonly by: number; readonly volts: number }[]
}

/** Numbers of all tolerances of a circuit: the same piece has the same on every board. */
export class Tolerances {
  private readonly numbers = new Map<string, number>()

  number(piece: string, nth: number): number {
    const key = `${piece}.${nth}`
    let known = this.numbers.get(key)
    if (known === undefined) this.numbers.set(key, (known = this.numbers.size))
    return known
  }
}

/** Readings of volts between two points by an instrument that loads nothing. */
export function isJoint(fact: Fact): fact is Measured {
  if (fact.type !== 'measured' || fact.meaningless || !Number.isFinite(fact.value)) return false
  const { instrument, settings, place, also = [] } = fact.setup
  return (
    also.length === 0 && place.type !== 'jaws' && instrumentOf(instrument).nature(settings).between === true
  )
}

/** What one board makes of one reading; undefined where it cannot be said to first order. */
export function residualOf(
  point: SweepPoint,
  { setup, value }: Measured,
  meter: MeterType,
  tolerances: Tolerances,
): ReadingResidual | undefined {
  const { solved } = point
  const { place } = setup
  if (!solved || place.type === 'jaws' || solved.phases.length > 1) return undefined
  const { red, black } = place
  if (!solved.tied(red, 0) || !solved.tied(black, 0)) return undefined
  const expected = expectedVolts(solved, red, black, meter).value ?? 0
  const { element } = tolerancesOf(solved)
  const shifts: { by: number; volts: number }[] = []
  const { elements } = solved.board
  let last = ''
  let nth = 0
  let i = 0
  shiftsBetween(solved, red, black).forEach((volts, k) => {
    // An element's tolerance has the name of its piece, and its number among those of the piece.
    for (; i <= element[k]!; i++) {
      const { part, segment } = elements[i]!.owner
      const name = refOf(part, segment)
      nth = name === last ? nth + 1 : 0
      last = name
    }
    if (Math.abs(volts) > 1e-6) shifts.push({ by: tolerances.number(last, nth), volts })
  })
  const accuracy = voltsAccuracy(value, meter)
  return { off: value - expected, own: (accuracy * accuracy) / 3, shifts }
}

/** Squared distance of several readings from one board, in units of their joint spread (Mahalanobis). */
export const distance = (residuals: readonly ReadingResidual[]): number =>
  lengthIn(
    spreadOf(residuals),
    Float64Array.from(residuals, (r) => r.off),
  )

/** How several readings spread together on one board: the Cholesky factor of their covariance, row by row. */
export function spreadOf(residuals: readonly ReadingResidual[]): Float64Array {
  const n = residuals.length
  const matrix = covariance(residuals)
  // The meters' own variances keep it positive.
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!
      for (let k = 0; k < j; k++) sum -= matrix[i * n + k]! * matrix[j * n + k]!
      matrix[i * n + j] = i === j ? Math.sqrt(Math.max(sum, 1e-18)) : sum / matrix[j * n + j]!
    }
  }
  return matrix
}

/** Squared length of differences from a board in its spread; `off` is used up. */
export function lengthIn(spread: Float64Array, off: Float64Array): number {
  const n = off.length
  let squares = 0
  for (let i = 0; i < n; i++) {
    let sum = off[i]!
    for (let k = 0; k < i; k++) sum -= spread[i * n + k]! * off[k]!
    off[i] = sum / spread[i * n + i]!
    squares += off[i]! * off[i]!
  }
  return squares
}

function covariance(residuals: readonly ReadingResidual[]): Float64Array {
  const n = residuals.length
  const matrix = new Float64Array(n * n)
  const dense = new Map<number, Float64Array>()
  residuals.forEach(({ shifts }, i) => {
    for (const { by, volts } of shifts) {
      let column = dense.get(by)
      if (!column) dense.set(by, (column = new Float64Array(n)))
      column[i]! += volts
    }
  })
  for (const column of dense.values())
    for (let i = 0; i < n; i++)
      for (let j = 0; j <= i; j++) matrix[i * n + j]! += (column[i]! * column[j]!) / 3
  residuals.forEach(({ own }, i) => (matrix[i * n + i]! += own))
  return matrix
}

/**
 * Up to where several readings may lie from one board: three of its spreads for one, as everywhere, and half a variance
 * more for each further one (common practice, no source).
 */
export const farthest = (readings: number): number => 9 + 1.5 * (readings - 1)
