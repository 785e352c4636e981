import type { SolvedBoard } from '../../board'
import type { Predictor, TestSetup } from '../../diagnosis'
import type { Step, StepOf } from '../steps'

/** What a technique rule looks at: one test, the board as it truly was, and what went before. */
export interface Scene {
  readonly step: StepOf<'test'>
  readonly setup: TestSetup
  readonly live: boolean
  /** The faulted board in the student's state. */
  readonly board: SolvedBoard
  readonly predictor: Predictor
  readonly earlier: readonly Step[]
  /** What the student claims right after the reading, if anything. */
  readonly inference: StepOf<'infer'> | undefined
}

export interface TechniqueRule {
  readonly id: string
  readonly title: string
  /** A note costs nothing; a slip and a mistake cost part of the mark. */
  readonly weight: 'note' | 'slip' | 'mistake'
  readonly fires: (scene: Scene) => boolean
  readonly say: string
  readonly instead: string
}
