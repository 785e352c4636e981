import {
  accessOf,
  hasSign,
  partsTouched,
  type BenchState,
  type HintLevel,
  type Order,
  type StepOf,
} from '../attempt'
import { findPieces, walkPath } from '../model'
import { type Circuit } from '../circuit'
import { rankTests, type Belief, type Measured, type Predictor } from '../diagnosis'
import { type Message, say, messageOf } from '../document'
import { instrumentOf, numberOf } from '../instruments'
import { heldIn } from './facts'
import { conditionsOf, firstBelief } from './first'
import { Judging, type Prepared } from './judging'
import { setupOf } from './setup'
import { liveQuestion } from './misreading'
import { explainImplausible } from './plausible'
import type { Rubric } from './rubric'
import type { Judgement } from './verdict'

/**
 * An attempt followed without a look at what is planted: what may be said while the work goes on.
 * @param prepared what was worked out at hand-out, where it was kept
 */
export const followBlindly = (
  predictor: Predictor,
  order: Order,
  rubric: Rubric,
  prepared?: Prepared,
): Judging => new Judging(predictor, order, rubric, prepared, true)

/** What each step of a practice is told at once. It follows from the readings alone: nothing in it knows what is planted. */
export const practiceVerdicts = (blindly: Judging): readonly Judgement[] =>
  blindly.followed().judgements.filter(
    // What could be struck too would say where nothing flows.
    ({ verdict }) => verdict.code !== 'assessment.standing',
  )

/** A hint out of what the student could know by now: where to look, on which side, or which test. */
export function hintFor(blindly: Judging, level: HintLevel): Message {
  const { belief, bench } = blindly.followed()
  const { order } = blindly
  if (level === 'side') return sideOf(belief, order)
  const [best] = rankTests(belief, order.frame.bag, bench, conditionsOf(bench))
  if (!best) return say('assessment.hintNone')
  const { held, setup, state } = best
  if (level === 'test')
    return say('assessment.hintTest', {
      title: messageOf(instrumentOf(setup.instrument).title),
      place: heldIn(held),
      state,
    })
  const parts = [...new Set(partsTouched(order.circuit, held))]
  const hardest = (['under', 'dash', 'cover', 'hand'] as const).find((access) =>
    parts.some((id) => accessOf(order.circuit, id) === access),
  )
  return parts.length
    ? say('assessment.hintWhere', { access: hardest ?? 'hand', parts })
    : say('assessment.hintWhere', { access: 'hand', parts: batteryOf(order.circuit) })
}

const batteryOf = ({ parts }: Circuit): string[] => parts.slice(0, 1).map(({ id }) => id)

/** The side of a load on which most of the doubt lies, along the path that holds most of it. */
function sideOf(belief: Belief, { circuit }: Order): Message {
  let most = { doubt: -1, side: 'other', load: '' }
  for (const path of circuit.paths) {
    const { strides, load } = walkPath(circuit, path)
    if (!load) continue
    const sums = { feed: 0, load: 0, return: 0 }
    const counted = new Set<string>()
    for (const { part, segment, side } of strides)
      for (const { id } of findPieces(circuit, `${part}.${segment.key}`)) {
        if (counted.has(id)) continue
        counted.add(id)
        sums[side] += belief.doubt(id)
      }
    const [side, doubt] = Object.entries(sums).sort(([, p], [, q]) => q - p)[0]!
    if (doubt > most.doubt) most = { doubt, side, load }
  }
  return say('assessment.hintSide', { side: most.side, load: most.load })
}

/**
 * What to ask about a reading that was typed, before it is taken down: undefined where the sound board or any board of this
 * complaint shows such a one. Neither whether it is asked nor what depends on what is planted.
 */
export function questionAbout(
  predictor: Predictor,
  order: Order,
  bench: BenchState,
  step: StepOf<'test'>,
  prepared?: Prepared,
): Message | undefined {
  if (step.source === 'model') return undefined
  const setup = setupOf(predictor, bench, step)
  if (!setup) return undefined
  const fact: Measured = {
    type: 'measured',
    setup,
    value: numberOf(instrumentOf(step.instrument), step.reading),
    meaningless: hasSign(step.reading, 'live'),
  }
  const why = explainImplausible(firstBelief(predictor, order, prepared?.belief), fact, step)
  return why && liveQuestion(why, step.held)
}
