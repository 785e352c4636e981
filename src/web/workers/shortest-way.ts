import { defaultRubric, prepareJudging, type Prepared } from '../../core/assessment'
import { frameSchema, type Frame } from '../../core/attempt'
import type { Circuit } from '../../core/circuit'
import { Predictor } from '../../core/diagnosis'
import type { Fault } from '../../core/faults'
import { difficultyOf, type Difficulty } from '../../core/learning'
import { workshopMeter } from '../../core/instruments'

export interface WayAsk {
  readonly id: number
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  readonly complaint: Frame['complaint']
}
export interface WaySays {
  readonly id: number
  readonly path: Prepared['path']
  readonly difficulty: Difficulty | null
}

export function work({ id, circuit, planted, complaint }: WayAsk): void {
  const frame = frameSchema.parse({ complaint, faults: planted.length > 1 ? 2 : 1 })
  const predictor = new Predictor(circuit, workshopMeter, planted, frame.faults)
  const order = { circuit, planted, frame }
  const { path, belief } = prepareJudging(predictor, order)
  const difficulty = difficultyOf(predictor, order, defaultRubric.thresholds, belief)
  postMessage({ id, path, difficulty } satisfies WaySays)
}
