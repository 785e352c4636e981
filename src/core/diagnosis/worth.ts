import { arrangementOf, instrumentMinutes, stateOf, type Arrangement, type Bench } from '../attempt'
import { settable, type CircuitState } from '../circuit'
import { instrumentOf, instruments, locate, settingsOf, type Held, type InstrumentKey } from '../instruments'
import type { Belief } from './belief'
import { untouched, type Conditions, type TestSetup } from './evidence'
import type { Sample } from './line'
import { situationOf } from './narrow'
import type { Predictor } from './predictor'

/** A test that somebody could do: with an instrument of the bag, at points that leads reach, in a state that can be set. */
export interface Candidate {
  readonly setup: TestSetup
  readonly held: Held
  readonly arrangement: Arrangement
  /** The state by its own name. */
  readonly state: string
}

export interface Choice extends Candidate {
  /** Bits of doubt about the piece that it is expected to remove. */
  readonly bits: number
  readonly minutes: number
}

const listed = new WeakMap<Predictor, Map<string, readonly Candidate[]>>()

/** Every test that is weighed on a circuit with a bag, in the states that its instructor named. */
export function candidatesOf(predictor: Predictor, bag: readonly InstrumentKey[]): readonly Candidate[] {
  let byBag = listed.get(predictor)
  if (!byBag) listed.set(predictor, (byBag = new Map()))
  const key = bag.join()
  const known = byBag.get(key)
  if (known) return known
  const { circuit, wiring } = predictor
  const weighed = instruments.filter((i) => i.guess && bag.includes(i.key))
  const places = weighed.flatMap((instrument) =>
    instrument.places(circuit, wiring).flatMap((held) => {
      const located = locate(circuit, wiring, held)
      return located.ok ? [{ instrument, held: located.held, place: located.place }] : []
    }),
  )
  const found = circuit.states.filter(settable).flatMap((state) => {
    const arrangement = arrangementOf(state)
    const set = stateOf(arrangement)
    return places.map(({ instrument, held, place }): Candidate => ({
      arrangement,
      held,
      state: state.name,
      setup: { state: set, instrument: instrument.key, settings: settingsOf(instrument), place },
    }))
  })
  byBag.set(key, found)
  return found
}

/** A board that stands for a part of what is left. */
interface Stand {
  readonly weight: number
  /** The piece by a number, and how many numbers there are up to here. */
  readonly piece: number
  readonly pieces: number
  readonly x: number
  readonly index: number
}

const mostStands = 36
const outcome = new Int32Array(2 * mostStands)
const outcomeSlice = new Float64Array(2 * mostStands)
const outcomeWeight = new Float64Array(2 * mostStands)
const pairWeight = new Float64Array(2 * mostStands)

/** What is left, by few boards: the likeliest families, each at one or two sizes. */
function standsOf({ alive, total }: Belief): Stand[] {
  const sorted = [...alive].sort((p, q) => q.weight - p.weight)
  const stands: Stand[] = []
  const numbers = new Map<string, number>()
  let covered = 0
  for (const { family, ranges, weight } of sorted) {
    if (stands.length >= mostStands || covered > 0.97 * total) break
    covered += weight
    const [from, to] = [ranges[0]![0], ranges[ranges.length - 1]![1]]
    // Quarters of the grid's steps: boards that the next step asks for again.
    const near = (x: number) => Math.min(to, Math.max(from, Math.round(x * 4) / 4))
    const xs =
      to - from > 2 ? [near(from + (to - from) / 4), near(to - (to - from) / 4)] : [near((from + to) / 2)]
    const name = family.pieces[0] ?? ''
    const piece = numbers.get(name) ?? numbers.size
    numbers.set(name, piece)
    for (const x of xs)
      stands.push({ weight: weight / xs.length, piece, pieces: numbers.size, x, index: family.index })
  }
  return stands
}

/** Bits that outcomes told apart by `slices` remove from the doubt about the piece (mutual information; Shannon 1948). */
function informationOf(stands: readonly Stand[], slices: Float64Array): number {
  const count = stands.length
  // Outcomes and pieces by small numbers: this is asked of thousands of tests.
  let kinds = 0
  let total = 0
  outcomeWeight.fill(0, 0, count)
  for (let i = 0; i < count; i++) {
    const slice = slices[i]!
    if (Number.isNaN(slice)) {
      outcome[i] = -1
      continue
    }
    let k = 0
    while (k < kinds && outcomeSlice[k] !== slice) k++
    if (k === kinds) outcomeSlice[kinds++] = slice
    outcome[i] = k
    const { weight } = stands[i]!
    outcomeWeight[k]! += weight
    total += weight
  }
  if (kinds < 2) return 0
  const entropyOf = (weight: number) => (weight > 0 ? -(weight / total) * Math.log2(weight / total) : 0)
  let bits = 0
  for (let k = 0; k < kinds; k++) bits += entropyOf(outcomeWeight[k]!)
  const pieces = stands[count - 1]!.pieces
  for (let p = 0; p < pieces; p++) {
    pairWeight.fill(0, 0, kinds)
    let sum = 0
    for (let i = 0; i < count; i++) {
      if (stands[i]!.piece !== p || outcome[i]! < 0) continue
      pairWeight[outcome[i]!]! += stands[i]!.weight
      sum += stands[i]!.weight
    }
    bits += entropyOf(sum)
    for (let k = 0; k < kinds; k++) bits -= entropyOf(pairWeight[k]!)
  }
  return Math.max(0, bits)
}

/** Bits that one test is expected to remove now; what it would show is reckoned as its instrument reckons it. */
export function expectedBits(belief: Belief, setup: TestSetup): number {
  const { predictor } = belief
  const stands = standsOf(belief)
  const situation = predictor.situation(setup.state, setup.conditions ?? untouched)
  const instrument = instrumentOf(setup.instrument)
  const slices = Float64Array.from(stands, ({ index, x }) => {
    const sample = predictor.line(predictor.families[index]!, situation).at(x)
    const found = predictor.interval(sample, setup)
    if (!found) return Number.NaN
    return instrument.tells(found.low === found.high ? found.low : (found.low + found.high) / 2)
  })
  return informationOf(stands, slices)
}

/** Share of the doubt that a test in a state already made may remove so that no other state has to be tried. */
const enough = 0.4

const ranked = new WeakMap<Belief, Map<string, Choice[]>>()

/** Tests in the order of the bits that they remove for their minutes, the best first; those that tell nothing are left out. */
export function rankTests(
  belief: Belief,
  bag: readonly InstrumentKey[],
  bench: Pick<Bench, 'reached' | 'out'>,
  conditions: Conditions = untouched,
): Choice[] {
  const key = JSON.stringify([bag, bench.reached, bench.out, conditions])
  let known = ranked.get(belief)
  if (!known) ranked.set(belief, (known = new Map()))
  let choices = known.get(key)
  if (!choices) known.set(key, (choices = rank(belief, bag, bench, conditions)))
  return choices
}

function rank(
  belief: Belief,
  bag: readonly InstrumentKey[],
  bench: Pick<Bench, 'reached' | 'out'>,
  conditions: Conditions,
): Choice[] {
  const { predictor } = belief
  const stands = standsOf(belief)
  if (stands.length < 2) return []
  const slices = new Float64Array(stands.length)
  const choices: Choice[] = []
  const visited = new Set(belief.facts.map((fact) => situationOf(predictor, fact).state))
  const isVisited = ({ setup }: Candidate) => visited.has(predictor.situation(setup.state, conditions).state)
  const all = candidatesOf(predictor, bag)
  // The states that somebody has already made come first: their boards are solved, and most is told there.
  const inOrder = [...all.filter(isVisited), ...all.filter((one) => !isVisited(one))]
  let best = 0
  let state: CircuitState | undefined
  let samples: (Sample | undefined)[] = []
  for (const candidate of inOrder) {
    const { setup, held, arrangement } = candidate
    // Candidates come state by state.
    if (setup.state !== state) {
      if (best >= enough * belief.bits && !isVisited(candidate)) break
      state = setup.state
      const situation = predictor.situation(state, conditions)
      samples = stands.map(({ index, x }) => {
        const sample = predictor.line(predictor.families[index]!, situation).at(x)
        return sample.solved ? sample : undefined
      })
    }
    const instrument = instrumentOf(setup.instrument)
    const { settings, place } = setup
    for (let i = 0; i < stands.length; i++) {
      const solved = samples[i]?.solved
      const value = solved && instrument.guess!({ solved, place, settings, meter: predictor.meter })
      slices[i] = value === undefined ? Number.NaN : instrument.tells(value)
    }
    const bits = informationOf(stands, slices)
    if (bits < 0.01) continue
    best = Math.max(best, bits)
    const { minutes } = instrumentMinutes(predictor.circuit, bench, {
      instrument: setup.instrument,
      held,
      also: [],
      arrangement,
    })
    choices.push({ ...candidate, bits, minutes })
  }
  return choices.sort((p, q) => q.bits / q.minutes - p.bits / p.minutes)
}
