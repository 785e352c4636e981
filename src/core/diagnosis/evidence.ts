import type { CircuitState } from '../circuit'
import type { MeterFunction } from '../instruments'

/** What a student did to the circuit and where the leads went. Nodes are numbers of the healthy wiring. */
export interface TestSetup {
  readonly state: CircuitState
  readonly function: MeterFunction
  readonly red: number
  readonly black: number
}

/** Something known about the board in front of the student. */
export type Fact =
  /** What a person noticed: part id → notice key. */
  | { readonly type: 'seen'; readonly state: CircuitState; readonly seen: Readonly<Record<string, string>> }
  /** What the display showed; Infinity for OL. A reading of a live circuit by ohmmeter tells nothing. */
  | {
      readonly type: 'measured'
      readonly setup: TestSetup
      readonly value: number
      readonly meaningless: boolean
    }
