import type { SolvedBoard } from '../../board'
import type { Predictor, TestSetup } from '../../diagnosis'
import type { Step, StepOf } from '../../attempt'

/** What a technique rule looks at: one test, the board as it truly was, and what went before. */
export interface Scene {
  readonly step: StepOf<'test'>
  readonly setup: TestSetup
  /** The instrument said that the circuit was live. */
  readonly live: boolean
  /** The faulted board in the student's state. */
  readonly board: SolvedBoard
  readonly predictor: Predictor
  readonly earlier: readonly Step[]
  /** What the student claims right after the reading, if anything. */
  readonly inference: StepOf<'infer'> | undefined
}

export interface TechniqueRule<K extends string = string> {
  readonly key: K
  readonly title: string
  /** A note costs nothing; a slip and a mistake cost part of the mark. */
  readonly weight: 'note' | 'slip' | 'mistake'
  readonly fires: (scene: Scene) => boolean
  /** English of what is said, and of what to do instead; stored judgements name the rule only. */
  readonly say: string
  readonly instead: string
}

export const defineRule = <const K extends string>(rule: TechniqueRule<K>): TechniqueRule<K> => rule
