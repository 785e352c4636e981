import type { BenchState, Order, Step, StepOf } from '../../attempt'
import type { SolvedBoard } from '../../board'
import type { CircuitState } from '../../circuit'
import type { AnyPart } from '../../parts'
import type { Belief, Predictor, TestSetup } from '../../diagnosis'
import type { Thresholds } from '../rubric'
import type { RuleExample } from './example'

/** What a technique rule looks at: one test, the board as it truly was, and what went before and came after. */
export interface TestContext {
  readonly order: Order
  /** The bench before the test. */
  readonly bench: BenchState
  readonly step: StepOf<'test'>
  readonly setup: TestSetup
  /** The instrument said that the circuit was live. */
  readonly live: boolean
  /** The faulted board in the student's state. */
  readonly board: SolvedBoard
  readonly predictor: Predictor
  /** What the evidence leaves before this test, and with it. */
  readonly belief: Belief
  readonly after: Belief
  /** The definition of a part of the circuit. */
  readonly definition: (part: string) => AnyPart
  readonly earlier: readonly Step[]
  /** The board as it truly is in another state; absent where nobody may know it yet. */
  readonly boardIn?: (state: CircuitState) => SolvedBoard | undefined
  /** Of the rubric that marks the attempt. */
  readonly thresholds: Thresholds
}

/** What came after the test, as far as the attempt has gone. */
export interface Ahead {
  readonly later: readonly Step[]
  /** What the student claims right after the reading, if anything. */
  readonly inference: StepOf<'infer'> | undefined
}

interface RuleTexts<K extends string> {
  readonly key: K
  /** Keys of the Handbook's procedures that show how it is kept; none where none does. */
  readonly procedures: readonly string[]
  /** A note costs nothing; a slip and a mistake cost part of the mark; what is grave for safety caps the whole. */
  readonly weight: 'note' | 'slip' | 'mistake' | 'grave'
  /** What the same reading would have been with the load on is told with it. */
  readonly comparesLoaded?: true
  /** A live example for the Handbook. */
  readonly example: RuleExample
}

/** Decided once and for all when the test is made. */
export interface RuleAtOnce<K extends string = string> extends RuleTexts<K> {
  readonly fires: (context: TestContext) => boolean
}

/** Decided anew whenever a step follows. */
export interface RuleInHindsight<K extends string = string> extends RuleTexts<K> {
  readonly looksAhead: true
  readonly fires: (context: TestContext, ahead: Ahead) => boolean
}

export type TechniqueRule<K extends string = string> = RuleAtOnce<K> | RuleInHindsight<K>

export const defineRule = <const K extends string>(rule: RuleAtOnce<K>): RuleAtOnce<K> => rule

/** For a rule that looks at what came after the test. */
export const defineHindsight = <const K extends string>(
  rule: Omit<RuleInHindsight<K>, 'looksAhead'>,
): RuleInHindsight<K> => ({ ...rule, looksAhead: true })
