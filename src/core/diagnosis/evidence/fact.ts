import type { BenchState } from '../../attempt'
import type { CircuitState } from '../../circuit'
import type { Connected } from '../../instruments'

/** What earlier steps left of the bench, as far as it matters to what any board would show now. */
export type Conditions = Pick<BenchState, 'repairs' | 'reseated' | 'renewed' | 'spent'>
export const untouched: Conditions = { repairs: [], reseated: [], renewed: [], spent: [] }

/** What a student did to the circuit, and how an instrument is set and held. */
export interface TestSetup extends Connected {
  readonly state: CircuitState
  /** What else is connected meanwhile. */
  readonly also?: readonly Connected[]
  readonly conditions?: Conditions
}

/** What a person noticed: part id → notice key. */
export interface Seen {
  readonly type: 'seen'
  readonly state: CircuitState
  readonly conditions?: Conditions
  readonly seen: Readonly<Record<string, string>>
}
/** What the instrument showed as a number; Infinity for OL. A reading of a live circuit by ohmmeter tells nothing. */
export interface Measured {
  readonly type: 'measured'
  readonly setup: TestSetup
  readonly value: number
  readonly meaningless: boolean
}

/** What a battery that went flat tells of the current that it gave while it was left, A. */
export interface Flat {
  readonly type: 'flat'
  readonly state: CircuitState
  readonly conditions?: Conditions
  readonly low: number
  readonly high: number
}

/** Something known about the board in front of the student. */
export type Fact = Seen | Measured | Flat
