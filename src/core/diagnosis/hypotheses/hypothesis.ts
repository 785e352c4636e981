import { refOf } from '../../circuit'
import type { Fault } from '../../faults'

/**
 * One way the circuit could be: sound, or one kind of fault on one piece. Where its severity is a number it stands for
 * boards with one parameter x, the place on the kind's grid of severities: 0 at the first value, 1 at the second.
 */
export interface Hypothesis {
  /** Where it stands among all hypotheses of its predictor; for what is kept, its `name`. */
  readonly index: number
  /** What it is whatever other hypotheses there are, such as `open W4.copper`. */
  readonly name: string
  /** Undefined for the sound circuit. */
  readonly fault: Fault | undefined
  /** A second fault beside it, of exactly that size. */
  readonly beside?: Fault
  /** Which of those planted that is, counted from 1; 0 where it stands alone. */
  readonly company: number
  /** Severities at whole x; empty where there is none. */
  readonly grid: readonly number[]
  /** Place of the planted severity on the grid, where it is planted. */
  readonly plantedAt?: number
  /** Names of the pieces that it strikes; none for the sound circuit. */
  readonly pieces: readonly string[]
  /** Relative likelihood before any evidence, all severities together. */
  readonly prior: number
}

/** What a hypothesis is called whatever others there are, such as `open W4.copper`. */
export const nameOf = ({ kind, part, segment, other, moving }: Fault): string =>
  `${kind} ${refOf(part, segment)}${other === undefined ? '' : ` ${other}`}${moving ? ' moved' : ''}`

/** Whether two faults are one kind at one place, of whatever size. */
export const sameHypothesis = (a: Fault, b: Fault): boolean =>
  a.kind === b.kind &&
  a.part === b.part &&
  a.segment === b.segment &&
  a.other === b.other &&
  (a.moving ?? false) === (b.moving ?? false)
