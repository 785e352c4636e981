import {
  candidatesOf,
  placeOnGrid,
  sameHypothesis,
  type Belief,
  type Hypothesis,
  type Predictor,
} from '../diagnosis'
import { settable } from '../circuit'
import { stateOf, arrangementOf } from '../attempt'
import type { Fault } from '../faults'
import type { InstrumentKey } from '../instruments'
import type { Thresholds } from './rubric'

/** Volts by which two readings have to differ to be told apart: the meter's last digits on its twelve-volt range. */
const sameVolts = 0.02
/** Rivals that are compared, the likeliest first. */
const mostRivals = 24

/**
 * Pieces that no test of the bag tells from the planted one: whatever is left of them shows the same volts at every point
 * that a lead reaches, in every state that can be set. A connector's two halves with nothing to probe between them.
 */
export function ambiguityGroupOf(
  belief: Belief,
  planted: readonly Fault[],
  bag: readonly InstrumentKey[],
  { proven }: Pick<Thresholds, 'proven'>,
): ReadonlySet<string> {
  const { predictor } = belief
  const found = new Set<string>()
  if (candidatesOf(predictor, bag).length === 0) return found
  // Of two planted faults the board has both.
  const truth = [...belief.alive]
    .sort((p, q) => q.hypothesis.company - p.hypothesis.company)
    .find(({ hypothesis }) => planted.some((p) => isOf(hypothesis, p)))
  if (!truth) return found
  const own = new Set(truth.hypothesis.pieces)
  // Nothing worth asking about is left beside it.
  if (belief.doubtOfAny([...own]) >= proven) return found
  const at = planted.find((p) => isOf(truth.hypothesis, p))!
  const x = at.severity === undefined ? truth.best : placeOnGrid(truth.hypothesis.grid, at.severity)
  const separable = new Set<string>()
  const likely = [...belief.alive].sort((p, q) => q.weight - p.weight).slice(0, mostRivals)
  for (const { hypothesis, best } of likely) {
    if (hypothesis.pieces.every((p) => own.has(p)) || hypothesis.index === 0) continue
    if (hypothesis.company !== truth.hypothesis.company) continue
    const same = sameEverywhere(predictor, truth.hypothesis, x, hypothesis, best)
    for (const piece of hypothesis.pieces) (same ? found : separable).add(piece)
  }
  return new Set([...found].filter((piece) => !own.has(piece) && !separable.has(piece)))
}

const isOf = ({ fault }: Hypothesis, planted: Fault): boolean =>
  fault !== undefined && sameHypothesis(fault, planted)

function sameEverywhere(predictor: Predictor, a: Hypothesis, x: number, b: Hypothesis, y: number): boolean {
  const reach = predictor.wiring.points.filter((p) => !p.inside).map((p) => p.node)
  return predictor.circuit.states.filter(settable).every((state) => {
    const situation = predictor.situation(stateOf(arrangementOf(state)))
    const p = predictor.sweep(a, situation).at(x).solved
    const q = predictor.sweep(b, situation).at(y).solved
    if (!p || !q) return p === q
    return reach.every((node) => {
      const [i, j] = [p.point.island[node], q.point.island[node]]
      if (i !== 0 || j !== 0) return (i === 0) === (j === 0)
      return Math.abs(p.point.voltage[node]! - q.point.voltage[node]!) <= sameVolts
    })
  })
}
