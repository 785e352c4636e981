import { instrumentMinutes, type Order, shownOf } from '../attempt'
import { piecesStruck } from '../faults'
import { rankTests, type Belief, type Choice, type Predictor } from '../diagnosis'
import { instrumentOf, numberOf, readWith } from '../instruments'
import { ambiguityGroupOf } from './ambiguity-group'
import type { Thresholds } from './rubric'
import type { JudgedAttempt } from './verdict'
import { truthOf } from './truth'

type Path = JudgedAttempt['path']

const most = 8
const kept = new WeakMap<Predictor, Map<string, Path>>()

/** A short honest way from the complaint to the piece: at each moment the test that is expected to tell most for its minutes. */
export function modelPath(predictor: Predictor, order: Order, first: Belief, thresholds: Thresholds): Path {
  // Where nothing is wrong no way leads to a piece.
  if (order.planted.length === 0) return []
  let known = kept.get(predictor)
  if (!known) kept.set(predictor, (known = new Map()))
  const key = JSON.stringify([order.planted, order.frame.complaint, order.frame.bag, thresholds])
  const found = known.get(key)
  if (found) return found
  // Cheap looks one after the other, or the one test that tells most: whichever is there sooner.
  const ways = [worthFirst, bitsFirst].map((inOrder) => walk(predictor, order, first, thresholds, inOrder))
  const made = ways.sort((p, q) => costOf(p) - costOf(q))[0]!
  known.set(key, made)
  return made
}

type InOrder = (choices: readonly Choice[]) => readonly Choice[]
const worthFirst: InOrder = (choices) => choices
const bitsFirst: InOrder = (choices) => [...choices].sort((p, q) => q.bits - p.bits)
const cheapFirst: InOrder = (choices) => [...choices].sort((p, q) => p.minutes - q.minutes || q.bits - p.bits)

/** Three honest ways: by what tells most for its minutes, by what tells most, by what costs least. */
export const honestWays = (
  predictor: Predictor,
  order: Order,
  first: Belief,
  thresholds: Thresholds,
): readonly Path[] =>
  order.planted.length
    ? [worthFirst, bitsFirst, cheapFirst].map((inOrder) => walk(predictor, order, first, thresholds, inOrder))
    : []

/** A way that ends where something is still in doubt is no way. */
const costOf = (path: Path): number =>
  path.reduce((sum, p) => sum + p.minutes, 0) + 10 * Math.max(0, (path[path.length - 1]?.left ?? 2) - 1)

function walk(
  predictor: Predictor,
  order: Order,
  first: Belief,
  thresholds: Thresholds,
  inOrder: InOrder,
): Path {
  const { circuit, planted, frame } = order
  const { proven, follows } = thresholds
  const guilty = new Set(piecesStruck(circuit, planted))
  let belief = first
  let bench = truthOf(predictor, order).start
  const path: Path = []
  /** A test that told nothing after all is not asked for again. */
  const tried = new Set<unknown>()
  while (path.length < most) {
    const share = Math.max(...[...guilty].map((piece) => belief.doubt(piece)))
    if (share >= proven) break
    const best = inOrder(rankTests(belief, frame.bag, bench)).find(({ setup }) => !tried.has(setup))
    if (!best || tried.size > 3 * most) break
    tried.add(best.setup)
    const board = truthOf(predictor, order).board(bench, best.arrangement)
    const read = board.ok ? readWith(board, best.setup, [], predictor.meter) : undefined
    if (!read?.ok) break
    const instrument = instrumentOf(best.setup.instrument)
    const next = belief.with({
      type: 'measured',
      setup: best.setup,
      value: numberOf(instrument, read.reading),
      meaningless: read.reading.signs.some(({ code }) => code === 'instruments.live'),
    })
    if (next.alive.length === 0 || next.bits > belief.bits - 0.001) continue
    const { minutes, reached } = instrumentMinutes(circuit, bench, {
      instrument: best.setup.instrument,
      held: best.held,
      also: [],
      arrangement: best.arrangement,
    })
    path.push({
      instrument: best.setup.instrument,
      held: best.held,
      state: best.state,
      reading: shownOf(read.reading),
      minutes: Math.round(minutes * 10) / 10,
      left: [...next.doubts.values()].filter((d) => d > follows).length,
    })
    bench = { ...bench, reached, out: best.arrangement.detached }
    belief = next
    const apart = [...ambiguityGroupOf(belief, planted, frame.bag, thresholds)].reduce(
      (s, p) => s + belief.doubt(p),
      0,
    )
    if (share + apart >= proven) break
  }
  return path
}
