import { describe, expect, it } from 'vitest'
import { Belief, Predictor, type Fact } from '..'
import type { Arrangement } from '../../attempt'
import { piecesOf } from '../../model'
import { possibleFaults, type Fault } from '../../faults'
import { Attempt, seenOn, voltsSetup } from '../../../../test/attempt'
import { demoCircuit } from '../../../../test/demo'

/**
 * Where two faults may be there, each is looked for beside the other as it is. Held here against every pair of bad places
 * of a small board, at many sizes: what a judge that knows nothing of what is planted would doubt.
 */
describe('two faults', () => {
  const circuit = demoCircuit('sweeper-work-lamp')
  const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
  const pieces = piecesOf(circuit)
  const state = { id: 'x', name: 'x', ...on }
  const places = possibleFaults(circuit).filter(({ kind }) => kind === 'highResistance')
  const sized = (severities: readonly number[]) =>
    places.flatMap((f) => severities.map((severity): Fault => ({ ...f, severity })))
  const at = (part: string, severity: number): Fault => ({
    ...places.find((f) => f.part === part)!,
    severity,
  })
  const all = new Predictor(circuit, undefined, sized([1, 1.4, 2]), 2)

  it.each([['W2', 'X2']])(
    'in %s and %s: every piece is doubted much as all pairs would have it',
    (a, b) => {
      const pair = [at(a, 1.3), at(b, 1.7)]
      const judge = new Predictor(circuit, undefined, pair, 2)
      const measured = (red: string, black: string): Fact => {
        const { reading } = new Attempt(circuit, pair, on).measure({ type: 'leads', red, black }, 0)
        const setup = voltsSetup(judge, state, red, black)
        return { type: 'measured', setup, value: reading.value!, meaningless: false }
      }
      const facts: Fact[] = [
        { type: 'seen', state, seen: seenOn(circuit, pair, on) },
        measured('B1+', 'L1a'),
        measured('L1b', 'B1-'),
        measured('B1+', 'F1b'),
        measured('X1b', 'L1a'),
      ]
      let [known, blind] = [Belief.of(judge), Belief.of(all)]
      for (const fact of facts) [known, blind] = [known.with(fact), blind.with(fact)]
      for (const { id } of pieces) {
        const [own, fair] = [known.doubt(id), blindly(blind, id)]
        expect(Math.abs(own - fair), `${id}: ${own} for ${fair}`).toBeLessThan(0.1)
        // What is planted stands out by its readings alone.
        expect(own > 0, id).toBe(fair > 0)
      }
    },
    120_000,
  )

  /** Share of the pairs that strike a piece, from either end. */
  function blindly(belief: Belief, id: string): number {
    let [sum, whole] = [0, 0]
    for (const { hypothesis, weight } of belief.alive) {
      const { part, segment } = hypothesis.beside!
      const other = pieces.find((p) => p.part === part && p.unit.segments.includes(segment))!.id
      whole += weight
      if (hypothesis.pieces.includes(id) || other === id) sum += weight
    }
    return sum / whole
  }
})
