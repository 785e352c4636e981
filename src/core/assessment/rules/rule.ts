import type { Bench, Order, Step, StepOf } from '../../attempt'
import type { SolvedBoard } from '../../board'
import type { AnyPart } from '../../parts'
import type { Belief, Predictor, TestSetup } from '../../diagnosis'

/** What a technique rule looks at: one test, the board as it truly was, and what went before and came after. */
export interface Scene {
  readonly order: Order
  /** The bench before the test. */
  readonly bench: Bench
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
  readonly later: readonly Step[]
  /** What the student claims right after the reading, if anything. */
  readonly inference: StepOf<'infer'> | undefined
}

export interface TechniqueRule<K extends string = string> {
  readonly key: K
  readonly title: string
  /** A note costs nothing; a slip and a mistake cost part of the mark; what is grave for safety caps the whole. */
  readonly weight: 'note' | 'slip' | 'mistake' | 'grave'
  readonly fires: (scene: Scene) => boolean
  /** English of what is said, and of what to do instead; stored judgements name the rule only. */
  readonly say: string
  readonly instead: string
}

export const defineRule = <const K extends string>(rule: TechniqueRule<K>): TechniqueRule<K> => rule
