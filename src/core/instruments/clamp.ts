import { findPart } from '../model'
import { isStill, type SolvedBoard } from '../board'
import { faultOfKind } from '../faults'
import { partOfKind } from '../parts'

/** A conductor in the jaws: how far along it the clamp sits, and which way it runs. */
export interface Clamped {
  readonly part: string
  readonly at: number
  readonly against: boolean
}

/**
 * Amps that a clamp's jaws enclose, along their arrow: the sum over all conductors in them (Ampère).
 * @returns A
 */
export function clampAmps(solved: SolvedBoard, conductors: readonly Clamped[]): number {
  const phases = solved.phases
  let sum = 0
  for (const phase of phases) {
    for (const { part, at, against } of conductors) {
      sum += (against ? -1 : 1) * ampsAlong(phase, part, at)
    }
  }
  return sum / phases.length
}

/** Amps in a conductor at a share of its length. A wire that touches something half-way carries two currents. */
function ampsAlong({ board, point }: SolvedBoard, id: string, at: number): number {
  const part = findPart(board.circuit, id)
  if (!part) return 0
  const { cable, segments } = partOfKind(part.kind)
  const key = cable?.segment ?? segments[segments.length - 1]!.key
  const first = board.firstElement.get(`${id}.${key}`)
  if (first === undefined) return 0
  const split = board.faults.find(
    (f) =>
      !isStill(f, board.state, board) && ((f.part === id && f.segment === key) || f.other === `${id}.${key}`),
  )
  const touches = split && faultOfKind(split.kind).touches
  const place = split?.part === id ? (split.at ?? 0.5) : 0.5
  return point.current[first + (touches && at > place ? 1 : 0)]!
}

/** What a clamp is: what it reads with nothing in its jaws, its last digit, and whether it sees direct current at all. */
export interface ClampType {
  readonly zeroOffset: number
  readonly digit: number
  readonly percent: number
  readonly sees: 'DC' | 'AC only'
}

/** Hall-effect clamp with a 10 mA digit (common practice, no source). */
export const dcClamp: ClampType = { zeroOffset: 0.08, digit: 0.01, percent: 2, sees: 'DC' }
/** A transformer: direct current gives it nothing. */
export const acClamp: ClampType = { zeroOffset: 0, digit: 0.01, percent: 2, sees: 'AC only' }

/**
 * What the clamp's display shows. Not zeroed, it adds its offset; round both wires of a load it reads next to nothing.
 * @returns A
 */
export function readClamp(
  solved: SolvedBoard,
  conductors: readonly Clamped[],
  type: ClampType = dcClamp,
  zeroed = true,
): number {
  if (type.sees === 'AC only') return 0
  const amps = clampAmps(solved, conductors) + (zeroed ? 0 : type.zeroOffset)
  return Number((Math.round(amps / type.digit) * type.digit).toPrecision(12)) || 0
}
