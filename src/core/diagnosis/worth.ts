import { arrangementOf, instrumentMinutes, stateOf, type Arrangement, type Bench } from '../attempt'
import { settable, type CircuitState } from '../circuit'
import { instruments, locate, settingsOf, type Held, type InstrumentKey, type Response } from '../instruments'
import type { Belief } from './belief'
import { untouched, type Conditions, type TestSetup } from './evidence'
import type { Sample } from './line'
import type { Predictor, Situation } from './predictor'

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
  readonly piece: string
  readonly x: number
  readonly index: number
}

const mostStands = 36

/** What is left, by few boards: the likeliest families, each at one or two sizes. */
function standsOf({ alive, total }: Belief): Stand[] {
  const sorted = [...alive].sort((p, q) => q.weight - p.weight)
  const stands: Stand[] = []
  let covered = 0
  for (const { family, ranges, weight } of sorted) {
    if (stands.length >= mostStands || covered > 0.97 * total) break
    covered += weight
    const [from, to] = [ranges[0]![0], ranges[ranges.length - 1]![1]]
    // Quarters of the grid's steps: boards that the next step asks for again.
    const near = (x: number) => Math.min(to, Math.max(from, Math.round(x * 4) / 4))
    const xs =
      to - from > 2 ? [near(from + (to - from) / 4), near(to - (to - from) / 4)] : [near((from + to) / 2)]
    for (const x of xs)
      stands.push({ weight: weight / xs.length, piece: family.pieces[0] ?? '', x, index: family.index })
  }
  return stands
}

/** Bits that outcomes told apart by `slices` remove from the doubt about the piece (mutual information; Shannon 1948). */
function informationOf(stands: readonly Stand[], slices: readonly (number | undefined)[]): number {
  const both = new Map<string, number>()
  const outcomes = new Map<number, number>()
  const pieces = new Map<string, number>()
  let total = 0
  stands.forEach(({ weight, piece }, i) => {
    const slice = slices[i]
    if (slice === undefined) return
    total += weight
    outcomes.set(slice, (outcomes.get(slice) ?? 0) + weight)
    pieces.set(piece, (pieces.get(piece) ?? 0) + weight)
    const pair = `${slice} ${piece}`
    both.set(pair, (both.get(pair) ?? 0) + weight)
  })
  if (outcomes.size < 2) return 0
  const entropy = (weights: Iterable<number>) => {
    let bits = 0
    for (const weight of weights) bits -= (weight / total) * Math.log2(weight / total)
    return bits
  }
  return Math.max(0, entropy(outcomes.values()) + entropy(pieces.values()) - entropy(both.values()))
}

function responseOf({ solved, rows }: Sample): Response {
  const { point, solver, board } = solved!
  const rowOf = (node: number) => {
    let row = rows.get(node)
    if (!row) {
      row = new Float64Array(board.nodeCount)
      if (node !== 0) solver.respondTo(node, row)
      rows.set(node, row)
    }
    return row
  }
  return {
    volts: (red, black) =>
      point.island[red] === point.island[black] ? point.voltage[red]! - point.voltage[black]! : 0,
    ohms: (red, black) => {
      if (point.island[red] !== point.island[black]) return Infinity
      const [x, y] = [rowOf(red), rowOf(black)]
      return Math.max(0, x[red]! - x[black]! - y[red]! + y[black]!)
    },
  }
}

/** Bits that one test is expected to remove now; what it would show is reckoned as its instrument reckons it. */
export function expectedBits(belief: Belief, setup: TestSetup): number {
  const { predictor } = belief
  const stands = standsOf(belief)
  const situation = predictor.situation(setup.state, setup.conditions ?? untouched)
  const instrument = instruments.find((i) => i.key === setup.instrument)!
  const slices = stands.map(({ index, x }) => {
    const sample = predictor.line(predictor.families[index]!, situation).at(x)
    const found = predictor.interval(sample, setup)
    return found && instrument.tells(found.low === found.high ? found.low : (found.low + found.high) / 2)
  })
  return informationOf(stands, slices)
}

/** Tests in the order of the bits that they remove for their minutes, the best first; those that tell nothing are left out. */
export function rankTests(
  belief: Belief,
  bag: readonly InstrumentKey[],
  bench: Pick<Bench, 'reached' | 'out'>,
  conditions: Conditions = untouched,
): Choice[] {
  const { predictor } = belief
  const stands = standsOf(belief)
  const situations = new Map<
    CircuitState,
    { situation: Situation; samples: (Sample | undefined)[]; responses: (Response | undefined)[] }
  >()
  const choices: Choice[] = []
  for (const candidate of candidatesOf(predictor, bag)) {
    const { setup, held, arrangement } = candidate
    let boards = situations.get(setup.state)
    if (!boards) {
      const situation = predictor.situation(setup.state, conditions)
      const samples = stands.map(({ index, x }) => {
        const sample = predictor.line(predictor.families[index]!, situation).at(x)
        return sample.solved ? sample : undefined
      })
      boards = { situation, samples, responses: samples.map((s) => s && responseOf(s)) }
      situations.set(setup.state, boards)
    }
    const instrument = instruments.find((i) => i.key === setup.instrument)!
    const { samples, responses } = boards
    const slices = samples.map((sample, i) => {
      if (!sample) return undefined
      const use = {
        solved: sample.solved!,
        place: setup.place,
        settings: setup.settings,
        meter: predictor.meter,
      }
      const value = instrument.guess!(use, responses[i]!)
      return value === undefined ? undefined : instrument.tells(value)
    })
    const bits = informationOf(stands, slices)
    if (bits < 0.01) continue
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
