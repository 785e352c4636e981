import { instrumentMinutes, type BenchState } from '../../attempt'
import { instrumentOf, type InstrumentKey } from '../../instruments'
import type { Belief } from '../posterior/belief'
import type { Predictor } from '../posterior/predictor'
import { untouched, type Conditions, type TestSetup } from '../evidence/fact'
import type { SweepPoint } from '../posterior/severity-sweep'
import { situationOf } from '../posterior/restrict'
import { heldKey, type Situation } from '../posterior/predictor'
import { candidatesByState, type Candidate, type InState } from './candidates'
import { informationOf, representativesOf } from './information'

export interface Choice extends Candidate {
  /** Bits of doubt about the piece that it is expected to remove. */
  readonly bits: number
  readonly minutes: number
}

/**
 * Bits that one test is expected to remove now; what it would show is reckoned as its instrument reckons it.
 * @returns bits
 */
export function expectedBits(belief: Belief, setup: TestSetup): number {
  const { predictor } = belief
  const representatives = representativesOf(belief)
  const situation = predictor.situation(setup.state, setup.conditions ?? untouched)
  const instrument = instrumentOf(setup.instrument)
  const slices = Float64Array.from(representatives, ({ index, x }) => {
    const point = predictor.sweep(predictor.hypotheses[index]!, situation).at(x)
    const found = predictor.interval(point, setup)
    if (!found) return Number.NaN
    return instrument.tells(found.low === found.high ? found.low : (found.low + found.high) / 2)
  })
  return informationOf(representatives, slices)
}

/** Share of the doubt that a test in a state already made may remove so that no other state has to be tried. */
const enough = 0.4

const ranked = new WeakMap<Belief, Map<string, Choice[]>>()

/** Tests in the order of the bits that they remove for their minutes, the best first; those that tell nothing are left out. */
export function rankTests(
  belief: Belief,
  bag: readonly InstrumentKey[],
  bench: Pick<BenchState, 'reached' | 'out'>,
  conditions: Conditions = untouched,
): Choice[] {
  const key = JSON.stringify([bag, bench.reached, bench.out, conditions])
  let known = ranked.get(belief)
  if (!known) ranked.set(belief, (known = new Map()))
  let choices = known.get(key)
  if (!choices) known.set(key, (choices = rank(belief, bag, bench, conditions)))
  return choices
}

/** Solves the boards that ranking would ask for in every state that can be set, before somebody waits for it. */
export function solveForRanking(
  belief: Belief,
  bag: readonly InstrumentKey[],
  conditions: Conditions = untouched,
): void {
  const { predictor } = belief
  const representatives = representativesOf(belief)
  for (const list of candidatesByState(predictor, bag)) {
    const situation = predictor.situation(list[0].setup.state, conditions)
    for (const { index, x } of representatives)
      tellsOf(predictor, predictor.sweep(predictor.hypotheses[index]!, situation).at(x), list)
  }
}

function rank(
  belief: Belief,
  bag: readonly InstrumentKey[],
  bench: Pick<BenchState, 'reached' | 'out'>,
  conditions: Conditions,
): Choice[] {
  const { predictor } = belief
  const representatives = representativesOf(belief)
  if (representatives.length < 2) return []
  const slices = new Float64Array(representatives.length)
  const choices: Choice[] = []
  const visited = new Set(belief.facts.map((fact) => situationOf(predictor, fact).state))
  const situationIn = ([{ setup }]: InState) => predictor.situation(setup.state, conditions)
  const isVisited = (list: InState) => visited.has(situationIn(list).state)
  const all = candidatesByState(predictor, bag)
  let best = 0
  // The states that somebody has already made come first: their boards are solved, and most is told there.
  for (const list of [...all.filter(isVisited), ...all.filter((one) => !isVisited(one))]) {
    if (best >= enough * belief.bits && !isVisited(list)) break
    const situation = situationIn(list)
    const told = representatives.map(({ index, x }) =>
      tellsOf(predictor, predictor.sweep(predictor.hypotheses[index]!, situation).at(x), list),
    )
    const known = readIn(belief, situation)
    for (const [k, candidate] of list.entries()) {
      if (known.has(heldKey(candidate.setup))) continue
      for (let i = 0; i < told.length; i++) slices[i] = told[i]![k]!
      const bits = informationOf(representatives, slices)
      if (bits < 0.01) continue
      best = Math.max(best, bits)
      const { setup, held, arrangement } = candidate
      const { minutes } = instrumentMinutes(predictor.circuit, bench, {
        instrument: setup.instrument,
        held,
        also: [],
        arrangement,
      })
      choices.push({ ...candidate, bits, minutes })
    }
  }
  return choices.sort((p, q) => q.bits / q.minutes - p.bits / p.minutes)
}

/** What has been read already with the bench as it stands, with the leads either way round: once more tells nothing. */
function readIn({ facts, predictor }: Belief, situation: Situation): ReadonlySet<string> {
  const read = new Set<string>()
  for (const fact of facts) {
    if (fact.type !== 'measured' || situationOf(predictor, fact) !== situation) continue
    const { setup } = fact
    const { place } = setup
    read.add(heldKey(setup))
    if (place.type !== 'jaws')
      read.add(heldKey({ ...setup, place: { ...place, red: place.black, black: place.red } }))
  }
  return read
}

/** What each test of a list would tell on one board; NaN where it would tell nothing. */
function tellsOf({ meter }: Predictor, point: SweepPoint, list: InState): Float64Array {
  const known = point.tells.get(list)
  if (known) return known
  const { solved } = point
  const told = Float64Array.from(list, ({ setup: { instrument: key, settings, place } }) => {
    const instrument = instrumentOf(key)
    const value = solved && instrument.guess!({ solved, place, settings, meter })
    return value === undefined ? Number.NaN : instrument.tells(value)
  })
  point.tells.set(list, told)
  return told
}
