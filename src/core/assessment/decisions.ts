import { partOf, findPieces } from '../model'
import { say, messageOf, type Message } from '../document'
import { instrumentOf, voltsAccuracy, type Interval } from '../instruments'
import { nameOfPart, partOfKind } from '../parts'
import { stateOf, type Step, type StepOf } from '../attempt'
import type { Circuit } from '../circuit'
import { healthyVolts, isDropTest, mostAmps, natureOf, piecesBetween, readsVolts } from './rules/context'
import type { TestContext } from './rules/rule'
import { dequal } from 'dequal/lite'

/** Volts of difference that nobody goes by, whatever the meter shows (common practice, no source). */
const noMatter = 0.02
/** A load that draws at least this share of the circuit's own proves that the circuit would carry (common practice, no source). */
const nearEnough = 0.5

/**
 * What a reading decides at the bench, as an instructor would say it over the shoulder. It follows from the readings, the meter
 * and the sound circuit alone: nothing in it knows what is planted.
 */
export function decisionsOf(context: TestContext): Message[] {
  return [besideBefore(context) ?? acrossAJoint(context), loadEnough(context)].filter(
    (one) => one !== undefined,
  )
}

/** The test before this one, where it was made in the same way. */
function before({ earlier, step }: TestContext): StepOf<'test'> | undefined {
  const last = earlier.findLast((s: Step): s is StepOf<'test'> => s.type === 'test')
  const alike =
    last?.instrument === step.instrument && dequal([last.settings, last.also], [step.settings, step.also])
  return alike ? last : undefined
}

/** The lead was carried along the path: is anything lost between the point before and this one? */
function acrossAJoint(context: TestContext): Message | undefined {
  const { step, predictor, setup } = context
  const last = before(context)
  if (!dequal(last?.arrangement, step.arrangement)) return undefined
  if (!readsVolts(context) || last?.held.type !== 'leads' || step.held.type !== 'leads') return undefined
  const moved = (['red', 'black'] as const).filter((lead) => pointOf(last, lead) !== pointOf(step, lead))
  const [lead] = moved
  if (moved.length !== 1 || !lead) return undefined
  const [from, to] = [last, step].map((s) => predictor.wiring.find(pointOf(s, lead) ?? '')?.node)
  const [was, is] = [last.reading.value, step.reading.value]
  if (from === undefined || to === undefined || was === undefined || is === undefined) return undefined
  const between = { ...context, setup: { ...setup, place: { type: 'leads' as const, red: from, black: to } } }
  const pieces = [...piecesBetween(between)]
  if (!pieces.length || !isDropTest(between)) return undefined
  const lost = Math.abs(was - is)
  const usual = Math.abs(healthyVolts(context, from, to))
  const blur = [was, is].reduce((sum, value) => sum + voltsAccuracy(value, predictor.meter), 0)
  const params = {
    points: [pointOf(last, lead)!, pointOf(step, lead)!],
    volts: { value: lost, unit: 'V' as const },
    usual: { value: usual, unit: 'V' as const },
  }
  return lost <= Math.max(noMatter, 2 * usual) + blur
    ? say('assessment.sameBothSides', params)
    : say('assessment.lostBetween', params)
}

const pointOf = ({ held }: StepOf<'test'>, lead: 'red' | 'black'): string | undefined =>
  held.type === 'leads' ? held[lead] : undefined

/** The same was measured at the part on the other side: is what differs more than both tolerances and the meter's? */
function besideBefore(context: TestContext): Message | undefined {
  const { step, predictor, setup } = context
  const { circuit, wiring } = predictor
  const last = before(context)
  if (last?.held.type !== 'leads' || step.held.type !== 'leads') return undefined
  const [was, is] = [last.reading.value, step.reading.value]
  if (was === undefined || is === undefined || !step.reading.unit) return undefined
  const at = (s: StepOf<'test'>) =>
    (['red', 'black'] as const).map((lead) => wiring.find(pointOf(s, lead) ?? ''))
  const sides = at(last).map((point, i) => [point, at(step)[i]] as const)
  const pairs = sides.filter(([p, q]) => p && q && p.part !== q.part)
  const alike = pairs.every(([p, q]) => p!.terminal === q!.terminal && areLike(circuit, p!.part, q!.part))
  const [first] = pairs
  if (!first || !alike) return undefined
  const instrument = instrumentOf(step.instrument)
  const placeOf = (points: ReturnType<typeof at>) => ({
    type: 'leads' as const,
    red: points[0]?.node ?? 0,
    black: points[1]?.node ?? 0,
  })
  // The one may be on where the other is off: left and right are compared each in its own state.
  const [one, other] = [last, step].map((s) => {
    const solved = predictor.board(undefined, stateOf(s.arrangement))
    const { settings } = setup
    return solved && instrument.expect({ solved, place: placeOf(at(s)), settings, meter: predictor.meter })
  })
  if (!one || !other) return undefined
  const width = halfOf(one) + halfOf(other)
  // Where only one of them is on, nobody compares them.
  if (!(Math.abs(middleOf(one) - middleOf(other)) <= width)) return undefined
  const params = {
    parts: [first[0]!.part, first[1]!.part],
    difference: { value: Math.abs(was - is), unit: step.reading.unit },
    within: { value: width, unit: step.reading.unit },
  }
  return Math.abs(was - is) <= width
    ? say('assessment.sameBeside', params)
    : say('assessment.differsBeside', params)
}

const halfOf = ({ low, high }: Interval): number => (Number.isFinite(high - low) ? (high - low) / 2 : 0)

const middleOf = ({ low, high }: Interval): number => (low + high) / 2

const areLike = (circuit: Circuit, a: string, b: string): boolean => {
  const [p, q] = [partOf(circuit, a), partOf(circuit, b)]
  return p.kind === q.kind && dequal(p.parameters, q.parameters)
}

/** A load of the bag: does it draw near enough to what the circuit's own draws to count as proof? */
function loadEnough(context: TestContext): Message | undefined {
  const { carries, draws } = natureOf(context)
  const own = mostAmps(context)
  if (!carries || draws <= 0 || own <= 0) return undefined
  const params = { draws: { value: draws, unit: 'A' as const }, own: { value: own, unit: 'A' as const } }
  return draws >= nearEnough * own
    ? say('assessment.loadEnough', params)
    : say('assessment.loadTooSmall', params)
}

/** What is ordered where a piece is condemned that is sold only as part of a unit; undefined where it is sold by itself. */
export function orderOf(circuit: Circuit, name: string): Message | undefined {
  const [piece] = findPieces(circuit, name)
  if (!piece) return undefined
  const part = partOf(circuit, piece.part)
  const { orderedAs = [], segments, units } = partOfKind(part.kind)
  if (units.length < 2 || !piece.unit.segments.some((key) => orderedAs.includes(key))) return undefined
  return say('assessment.orderUnit', {
    part: part.id,
    title: messageOf(nameOfPart(part)),
    pieces: segments.filter(({ key }) => orderedAs.includes(key)).map((segment) => messageOf(segment.name)),
  })
}
