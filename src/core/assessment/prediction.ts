import type { Predictor, TestSetup } from '../diagnosis'
import { functionOf } from '../instruments'
import { formatQuantity } from '../quantity'
import type { Prediction } from './steps'
import type { Judgement } from './verdict'

/** A prediction is of the good circuit; the trade's usual allowance decides what counts as right. */
const voltsRight = 0.3
const voltsNear = 1

export function judgePrediction(
  predictor: Predictor,
  setup: TestSetup,
  prediction: Prediction,
  step: number,
): Judgement {
  const board = predictor.board(undefined, setup.state)
  const make = (grade: Judgement['grade'], verdict: string, reason: string, share: number): Judgement => ({
    aspect: 'prediction',
    step,
    grade,
    verdict,
    reason,
    share,
  })
  if (!board)
    return {
      ...make('neutral', 'not judged', 'The good circuit has no steady reading in this state.', 0),
      share: undefined,
    }
  const good = functionOf(setup.function).read(board, setup.red, setup.black, predictor.meter)
  const would = `A good circuit would show ${good.beeps ? `a beep (${good.text})` : good.text} here`
  if (setup.function === 'continuity') {
    const right = (prediction.type === 'beep') === good.beeps
    return right ? make('good', 'right', `${would}.`, 1) : make('poor', 'off', `${would}.`, 0)
  }
  const value = prediction.type === 'value' ? prediction.value : Infinity
  const expected = good.value ?? Infinity
  const said = prediction.type === 'value' ? formatQuantity(prediction.value, good.unit) : 'OL'
  if (!Number.isFinite(expected) || !Number.isFinite(value)) {
    const right = Number.isFinite(expected) === Number.isFinite(value)
    return right
      ? make('good', 'right', `${would}.`, 1)
      : make('poor', 'off', `${would}; ${said} was predicted.`, 0)
  }
  const miss = Math.abs(value - expected)
  const scale =
    setup.function === 'volts'
      ? { right: voltsRight, near: voltsNear }
      : { right: Math.max(1, 0.5 * expected), near: Math.max(3, 2 * expected) }
  if (miss <= scale.right) return make('good', 'right', `${would}; ${said} is close enough.`, 1)
  if (setup.function === 'volts' && Math.abs(value + expected) <= voltsRight) {
    return make(
      'partly',
      'sign',
      `${would}: the size is right, the sign follows from which lead is red.`,
      0.7,
    )
  }
  if (miss <= scale.near) return make('partly', 'near', `${would}; ${said} is near it.`, 0.5)
  return make('poor', 'off', `${would}; ${said} was predicted.`, 0)
}
