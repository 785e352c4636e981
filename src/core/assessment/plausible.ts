import { shownOf, type StepOf } from '../attempt'
import { fits, type Belief, type Measured } from '../diagnosis'
import { type Message, say } from '../document'
import { explainMisreading } from './misreading'

/** Whether the sound board shows such a reading, or any board whose fault would have brought this complaint. */
function isPlausible(first: Belief, fact: Measured): boolean {
  const { predictor } = first
  const { state, conditions } = fact.setup
  const sound = predictor.sweep(predictor.hypotheses[0]!, predictor.situation(state, conditions)).at(0)
  return fits(predictor.miss(sound, fact)) || first.with(fact).alive.length > 0
}

/** By how much a reading is off where a decimal or a prefix has slipped, the commonest first (common practice, no source). */
const slips = [1e-3, 1e3, 0.1, 10]
/** The likeliest boards that are asked for another reason. */
const mostBoards = 6

/**
 * What could have made a typed reading, where no board of this complaint shows one, the sound board neither. It is reckoned
 * without a look at what is planted: a question that came only where a reading contradicts that would give it away to
 * whoever types made-up readings and watches which are asked about.
 * @param first what the complaint leaves
 * @returns undefined where the reading is plausible
 */
export function explainImplausible(first: Belief, fact: Measured, step: StepOf<'test'>): Message | undefined {
  if (isPlausible(first, fact)) return undefined
  return explainBySlip(first, fact, step) ?? explainByBoards(first, fact, step)
}

/** Leads the other way round, or a decimal that slipped: read so, some board would show it. */
function explainBySlip(first: Belief, fact: Measured, { reading }: StepOf<'test'>): Message | undefined {
  const { value, setup } = fact
  if (!Number.isFinite(value) || setup.place.type === 'jaws') return undefined
  if (isPlausible(first, { ...fact, value: -value })) return say('assessment.wereReversed')
  const factor = slips.find(
    (by) => Math.abs(value * by) > 1e-4 && isPlausible(first, { ...fact, value: value * by }),
  )
  if (factor === undefined) return undefined
  const read = { value: value * factor, unit: reading.unit }
  const text = shownOf(reading)
  return factor === 1e-3 || factor === 1e3
    ? say('assessment.prefix', { read, text })
    : say('assessment.decimal', { read, text })
}

/** Another state, a plug that was out, a point beside it: what the likeliest boards would show there. */
function explainByBoards(first: Belief, { setup }: Measured, step: StepOf<'test'>): Message | undefined {
  const { predictor, alive } = first
  const situation = predictor.situation(setup.state, setup.conditions)
  let last: Message | undefined
  for (const { hypothesis, best } of alive.toSorted((p, q) => q.weight - p.weight).slice(0, mostBoards)) {
    const board = predictor.sweep(hypothesis, situation).at(best).solved
    const why = board && explainMisreading(predictor, board, setup, step)
    if (why && why.code !== 'assessment.asDrawn') return why
    last ??= why
  }
  return last
}
