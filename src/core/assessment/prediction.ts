import { shownOf, type Prediction } from '../attempt'
import type { Predictor, TestSetup } from '../diagnosis'
import { type Message, say, figures, messageOf } from '../document'
import { instrumentOf, withConnected, scaleWord } from '../instruments'
import { formatQuantity, type Unit } from '../quantity'
import type { Judgement } from './verdict'

/** A prediction is of the good circuit; the trade's usual allowance decides what counts as right. */
const voltsRight = 0.3
const voltsNear = 1
/** Below this the question is how much is lost: it is judged on the scale of the limits (common practice, no source). */
const dropsBelow = 1
const dropRight = 0.05
/** V on the test spots of a fuse: half an amp or so. */
const fuseRight = 0.003
const dropNear = 0.1

/**
 * How far a prediction may be out and still be right, or near.
 * @param expected what a good circuit shows, in `unit`
 * @param millivolts across the test spots of a fuse
 * @returns half-widths, in `unit`
 */
export function allowanceOf(
  unit: Unit,
  expected: number,
  millivolts = false,
): { readonly right: number; readonly near: number } {
  const size = Math.abs(expected)
  if (millivolts) return { right: Math.max(fuseRight, 0.5 * size), near: Math.max(2 * fuseRight, size) }
  if (unit === 'V')
    return size < dropsBelow
      ? { right: Math.max(dropRight, 0.5 * size), near: Math.max(dropNear, size) }
      : { right: voltsRight, near: voltsNear }
  if (unit === 'A') return { right: Math.max(0.2, 0.25 * size), near: Math.max(0.5, size) }
  return { right: Math.max(1, 0.5 * size), near: Math.max(3, 2 * size) }
}

export function judgePrediction(
  predictor: Predictor,
  setup: TestSetup,
  prediction: Prediction,
  step: number,
  /** The instrument met a live circuit: its number meant nothing, whatever was predicted. */
  live = false,
): Judgement {
  const make = (grade: Judgement['grade'], verdict: Message, reason: Message, share: number): Judgement => ({
    aspect: 'prediction',
    step,
    grade,
    verdict,
    reason,
    share,
  })
  if (live && instrumentOf(setup.instrument).nature(setup.settings).needsDead)
    return {
      aspect: 'prediction',
      step,
      grade: 'neutral',
      verdict: say('assessment.notJudged'),
      reason: say('assessment.liveOhms'),
    }
  const sound = predictor.board(undefined, setup.state)
  const board = sound && withConnected(sound, setup.also ?? [], predictor.meter)
  if (!board?.ok)
    return {
      aspect: 'prediction',
      step,
      grade: 'neutral',
      verdict: say('assessment.notJudged'),
      reason: say('assessment.noSteady'),
    }
  const instrument = instrumentOf(setup.instrument)
  const use = { solved: board, place: setup.place, settings: setup.settings, meter: predictor.meter }
  const good = instrument.read(use)
  const beeps = good.signs.some(({ code }) => code === 'instruments.beeps')
  const shown = shownOf(good)
  const would = say(beeps ? 'assessment.wouldBeep' : 'assessment.would', { good: shown })
  const said = saidOf(prediction, good.unit)
  const off = make('poor', say('assessment.off'), say('assessment.predictedOff', { would, said }), 0)
  if (instrument.asks.type === 'beep')
    return (prediction.type === 'beep') === beeps ? make('good', say('assessment.right'), would, 1) : off
  if (instrument.asks.type === 'word') {
    const right = prediction.type === 'word' && prediction.word === good.word
    return right ? make('good', say('assessment.right'), would, 1) : off
  }
  const value = prediction.type === 'value' ? prediction.value : Infinity
  const expected = good.value ?? Infinity
  if (!Number.isFinite(expected) || !Number.isFinite(value))
    return Number.isFinite(expected) === Number.isFinite(value)
      ? make('good', say('assessment.right'), would, 1)
      : off
  const miss = Math.abs(value - expected)
  const drop = good.unit === 'V' && Math.abs(expected) < dropsBelow
  if (drop && value === 0 && Math.abs(expected) >= 0.005 && miss <= dropRight)
    return make('partly', say('assessment.near'), say('assessment.smallNotZero', { would }), 0.9)
  const scale = allowanceOf(good.unit, expected, setup.place.type === 'spots')
  if (miss <= scale.right)
    return make('good', say('assessment.right'), say('assessment.closeEnough', { would, said }), 1)
  if (good.unit === 'V' && Math.abs(value + expected) <= scale.right)
    return make('partly', say('assessment.sign'), say('assessment.signOnly', { would }), 0.7)
  if (miss <= scale.near)
    return make('partly', say('assessment.near'), say('assessment.nearIt', { would, said }), 0.5)
  return off
}

function saidOf(prediction: Prediction, unit: Unit): Message {
  switch (prediction.type) {
    case 'value':
      return figures(formatQuantity(prediction.value, unit))
    case 'word':
      return messageOf(scaleWord(prediction.word))
    case 'beep':
      return say('readings.beep')
    case 'OL':
      return figures('OL')
  }
}
