import { candidatesOf, placeOnGrid, type Belief, type Family, type Predictor } from '../diagnosis'
import { settable } from '../circuit'
import { stateOf, arrangementOf } from '../attempt'
import type { Fault } from '../faults'
import type { InstrumentKey } from '../instruments'
import type { Thresholds } from './rubric'

/** Volts within which nobody tells two readings apart: the meter's last digits on its twelve-volt range. */
const sameVolts = 0.02
/** Rivals that are looked at: what is less likely is in nobody's way. */
const mostRivals = 24

/**
 * Pieces that no test of the bag tells from the planted one: whatever is left of them shows the same volts at every point
 * that a lead reaches, in every state that can be set. A connector's two halves with nothing to probe between them.
 */
export function indistinctFrom(
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
    .sort((p, q) => q.family.company - p.family.company)
    .find(({ family }) => planted.some((p) => isOf(family, p)))
  if (!truth) return found
  const own = new Set(truth.family.pieces)
  // Nothing worth asking about is left beside it.
  if (belief.doubtOfAny([...own]) >= proven) return found
  const at = planted.find((p) => isOf(truth.family, p))!
  const x = at.severity === undefined ? truth.best : placeOnGrid(truth.family.grid, at.severity)
  const separable = new Set<string>()
  const likely = [...belief.alive].sort((p, q) => q.weight - p.weight).slice(0, mostRivals)
  for (const { family, best } of likely) {
    if (family.pieces.every((p) => own.has(p)) || family.index === 0) continue
    if (family.company !== truth.family.company) continue
    const same = alike(predictor, truth.family, x, family, best)
    for (const piece of family.pieces) (same ? found : separable).add(piece)
  }
  return new Set([...found].filter((piece) => !own.has(piece) && !separable.has(piece)))
}

const isOf = ({ fault }: Family, planted: Fault): boolean =>
  fault?.kind === planted.kind &&
  fault.part === planted.part &&
  fault.segment === planted.segment &&
  fault.other === planted.other

function alike(predictor: Predictor, a: Family, x: number, b: Family, y: number): boolean {
  const reach = predictor.wiring.points.filter((p) => !p.inside).map((p) => p.node)
  return predictor.circuit.states.filter(settable).every((state) => {
    const situation = predictor.situation(stateOf(arrangementOf(state)))
    const p = predictor.line(a, situation).at(x).solved
    const q = predictor.line(b, situation).at(y).solved
    if (!p || !q) return p === q
    return reach.every((node) => {
      const [i, j] = [p.point.island[node], q.point.island[node]]
      if (i !== 0 || j !== 0) return (i === 0) === (j === 0)
      return Math.abs(p.point.voltage[node]! - q.point.voltage[node]!) <= sameVolts
    })
  })
}
