import {
  admits,
  Belief,
  faultAt,
  placeOnGrid,
  sizeThatGives,
  type Hypothesis,
  type Measured,
  type Predictor,
} from '../../../diagnosis'
import { say, verbatim } from '../../../document'
import { describeFault, type Fault } from '../../../faults'
import { expectedVolts, instrumentOf, locate, settingsOf } from '../../../instruments'
import type { Point, Walk } from '../../../model'
import type { DrillBench } from '../bench'
import type { Draw } from '../draw'
import { isOhmic, isOpen } from '../faults'
import { defineDrill } from '../kind'
import type { Option } from '../item'
import { drawOnSide, drawRunning, minusOf, reachable } from '../points'

/** V at the load's current from which a resistance is one that matters: the lower of the trade's usual limits (common practice, no source). */
const matters = 0.15

/** A piece, and all that may be wrong with it. */
interface Suspect {
  readonly piece: string
  readonly hypotheses: readonly Hypothesis[]
}

/**
 * Three pieces that a reading may leave in doubt and one that it may clear: three of those between the leads and one of the
 * others, or the other way round; the fault is in one of the three.
 */
function drawSuspects(
  { predictor }: DrillBench,
  { points, strides }: Walk,
  draw: Draw,
  [red, black]: readonly [Point, Point],
): { readonly three: readonly Suspect[]; readonly other: Suspect } | undefined {
  const between = new Set(
    strides.slice(points.indexOf(red), points.lastIndexOf(black)).map(({ part }) => part),
  )
  const own = new Set(strides.map(({ part }) => part))
  const suspects = new Map<string, { part: string; hypotheses: Hypothesis[] }>()
  for (const hypothesis of predictor.hypotheses) {
    const { fault, pieces } = hypothesis
    const [piece] = pieces
    if (!fault || pieces.length !== 1 || !own.has(fault.part) || !(isOhmic(fault) || isOpen(fault))) continue
    const known = suspects.get(piece!)
    if (known) known.hypotheses.push(hypothesis)
    else suspects.set(piece!, { part: fault.part, hypotheses: [hypothesis] })
  }
  const some = draw.shuffled([...suspects].map(([piece, suspect]) => ({ piece, ...suspect })))
  const inside = draw.next() < 0.5
  const three = some.filter(({ part }) => between.has(part) === inside).slice(0, 3)
  // Any piece may have a few ohms too many: one of which that is not reckoned with would seem cleared.
  const other = some.find(
    ({ part, hypotheses }) => between.has(part) !== inside && hypotheses.some(({ fault }) => isOhmic(fault!)),
  )
  return three.length === 3 && other ? { three, other } : undefined
}

/** An exact fault of a piece that gives a reading: as large as what is planted, or of another size. */
function exampleOf(
  predictor: Predictor,
  { hypotheses }: Suspect,
  planted: Hypothesis,
  fact: Measured,
): Fault | undefined {
  if (hypotheses.includes(planted)) return planted.fault
  for (const one of hypotheses) {
    const x = one.grid.length ? placeOnGrid(one.grid, planted.fault?.severity ?? Infinity) : 0
    if (admits(predictor, one, x, [fact])) return faultAt(one, x)
  }
  for (const one of hypotheses) {
    const x = one.grid.length ? sizeThatGives(predictor, one, fact) : undefined
    if (x !== undefined) return faultAt(one, x)
  }
  return undefined
}

export const clears = defineDrill({
  key: 'clears',
  title: 'learning.drills.clears.title',
  skill: 'inference',
  alike: true,
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const { predictor, circuit } = bench
    const sound = bench.board(state)!
    const amps = bench.ampsOf(sound, walk)
    const side = draw.next() < 0.6 ? drawOnSide(walk, draw) : undefined
    const [red, black] = side ?? [draw.one(reachable(walk))!, minusOf(walk)]
    const some = drawSuspects(bench, walk, draw, [red, black])
    if (!some) return undefined
    const { three, other } = some
    const planted = draw.one(three.flatMap(({ hypotheses }) => hypotheses))
    const board = planted && bench.glance(state, planted.fault!)
    if (!board) return undefined
    const shown = bench.volts(board, red, black)
    const located = locate(circuit, predictor.wiring, { type: 'leads', red: red.name, black: black.name })
    if (shown.value === undefined || shown.floating || !located.ok) return undefined
    // Read as on a good board it clears nothing: the smallest of every fault is left.
    const good = expectedVolts(sound, red.node, black.node, bench.meter)
    if (Math.abs(shown.value - (good.value ?? Infinity)) <= good.band) return undefined
    const fact: Measured = {
      type: 'measured',
      setup: {
        state,
        instrument: 'volts',
        settings: settingsOf(instrumentOf('volts')),
        place: located.place,
      },
      value: shown.value,
      meaningless: false,
    }
    // One after the other: most draws fail at one of the three, and a belief is what takes time.
    const doubted: { piece: string; example: Fault }[] = []
    for (const one of three) {
      const example = exampleOf(predictor, one, planted, fact)
      if (!example || (example.severity ?? Infinity) * amps < matters) return undefined
      doubted.push({ piece: one.piece, example })
    }
    // What is easily found is looked for first: only where nothing is, all has to be searched.
    if (exampleOf(predictor, other, planted, fact)) return undefined
    if (Belief.of(predictor, other.hypotheses).with(fact).alive.length) return undefined
    // Used in all its states before, it has to show the same.
    const used = bench.board(state, [planted.fault!])
    if (!used || bench.volts(used, red, black).text !== shown.text) return undefined
    const { piece: right } = other
    const options: Option[] = draw.shuffled([
      { says: verbatim(right), right: true },
      ...doubted.map(({ piece, example }) => ({
        says: verbatim(piece),
        right: false,
        why: say('learning.drills.clears.but', { fault: describeFault(circuit, example) }),
      })),
    ])
    return {
      state: state.id,
      detached: state.detached,
      leads: [red.name, black.name],
      given: [
        say('learning.drills.clears.given', {
          red: red.name,
          black: black.name,
          state: state.name,
          value: { shown: shown.text },
        }),
      ],
      asks: say('learning.drills.clears.asks'),
      answer: { type: 'choice', options },
      why: say('learning.drills.clears.why', { piece: right, value: { shown: shown.text } }),
      difficulty: 0.6,
    }
  },
})
