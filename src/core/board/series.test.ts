import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { possibleFaults } from '../faults'
import { Sensitivities, sensitivityBetween, solveBoard, type SolvedBoard } from '.'
import { seriesOf } from './series'

/** Largest difference of the bands between pairs of nodes, each tolerance by itself and in series, as a share of the band. */
function apart(solved: SolvedBoard, step: number): number {
  const together = new Sensitivities(solved)
  let most = 0
  const { nodeCount } = solved.board
  for (let pair = 0; pair < nodeCount ** 2; pair += step) {
    const [p, q] = [Math.floor(pair / nodeCount), pair % nodeCount]
    const [one, other] = [together.between(p, q), sensitivityBetween(solved, p, q)]
    expect(one.ohms).toBe(other.ohms)
    most = Math.max(most, Math.abs(one.band - other.band) / (other.band + 1e-6))
  }
  together.release()
  return most
}

describe('tolerances in series, taken together', () => {
  it.each(demoNames)('give the bands that each by itself gives, on %s with faults', (name) => {
    const circuit = demoCircuit(name)
    const faults = possibleFaults(circuit)
    const some = faults.filter((_, i) => i % Math.ceil(faults.length / 5) === 0)
    for (const planted of [[], ...some.map((fault) => [fault])])
      for (const state of circuit.states) {
        const solved = solveBoard(circuit, planted, state)
        if (!solved.ok) continue
        // The solver stops where its tangents are right within a microvolt: that much their siemens may differ.
        for (const phase of solved.phases)
          expect(apart(phase, 7), `${planted[0]?.kind} ${state.name}`).toBeLessThan(2e-5)
      }
  })

  it('are fewer runs than elements, and stop at every junction', () => {
    const circuit = demoCircuit(demoNames[0]!)
    const solved = solveBoard(circuit, [], circuit.states[0]!)
    if (!solved.ok) throw new Error('unsolved')
    const { elements } = solved.board
    const series = seriesOf(solved.board, solved.point)
    const attached = (node: number) =>
      elements.filter(
        (e) => (e.a === node || e.b === node) && !(e.type === 'resistor' && e.ohms === Infinity),
      ).length
    expect(series.count).toBeLessThan(series.first[series.count]! / 2)
    series.run.forEach((run, node) => {
      if (run >= 0) expect(attached(node)).toBe(2)
    })
  })
})
