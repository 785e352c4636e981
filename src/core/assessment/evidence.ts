import { messageOf } from '../document'
import { sameHypothesis, type Belief } from '../diagnosis'
import { faultOfKind, piecesStruck } from '../faults'
import type { Order } from '../attempt'
import type { JudgedAttempt } from './verdict'

/**
 * Share of the doubt about the piece that the evidence removed; what no test can part counts as one piece. Evidence that
 * points elsewhere earns nothing.
 */
export function evidenceOf(first: Belief, end: Belief, ambiguous: ReadonlySet<string>, order: Order): number {
  const merged = new Set([...ambiguous, ...piecesStruck(order.circuit, order.planted)])
  const bits = (belief: Belief) => {
    let together = 0
    let sum = belief.sound > 0 ? -belief.sound * Math.log2(belief.sound) : 0
    for (const [piece, share] of belief.doubts) {
      if (merged.has(piece)) together += share
      else if (share > 0 && share < 1) sum -= share * Math.log2(share)
    }
    return together > 0 && together < 1 ? sum - together * Math.log2(together) : sum
  }
  const before = bits(first)
  const there = Math.min(1, 2 * end.doubtOfAny([...merged]))
  if (before < 0.3) return there
  return there * Math.max(0, Math.min(1, (before - bits(end)) / (0.85 * before)))
}

/** From what to what each planted fault could have been, by all readings. */
export const sizesOf = (belief: Belief, { planted }: Order): JudgedAttempt['sizes'] =>
  planted.flatMap((fault) => {
    const alive = belief.alive.find(
      ({ hypothesis }) => hypothesis.fault && sameHypothesis(hypothesis.fault, fault),
    )
    const size = alive && belief.sizeOf(alive)
    const definition = faultOfKind(fault.kind)
    if (!size || !definition.severity) return []
    return [
      {
        piece: alive.hypothesis.pieces[0]!,
        title: messageOf(definition.title),
        from: size[0],
        to: size[1],
        unit: definition.severity.unit,
      },
    ]
  })
