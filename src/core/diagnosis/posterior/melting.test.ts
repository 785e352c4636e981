import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../../test/demo'
import { aftermath, solveBoard } from '../../board'
import { faultOfKind, possibleFaults } from '../../faults'
import { faultsAt } from '../hypotheses/severity-grid'
import { hypothesesOf } from '../hypotheses/hypotheses'
import { Melting } from './melting'

describe.each(demoNames)('%s', (name) => {
  const circuit = demoCircuit(name)

  it('melts between two sizes what it melts at both', () => {
    const melting = new Melting(circuit)
    const heavy = hypothesesOf(circuit).filter(({ fault }) => fault && faultOfKind(fault.kind).drawsMore)
    // Every third, at a size between the grid’s: what is taken over must be what would have been worked out.
    for (const hypothesis of heavy.filter((_, i) => i % 3 === 0)) {
      const x = Math.max(0, hypothesis.grid.length - 1) * 0.4
      const exact = aftermath(circuit, faultsAt(hypothesis, x))
      expect(
        [...melting.at(hypothesis, x)].sort(),
        `${hypothesis.fault!.kind} ${hypothesis.fault!.part}`,
      ).toEqual([...exact].sort())
    }
  })

  it('answers the same from the sound board’s volts as from nothing', () => {
    const faults = possibleFaults(circuit)
    for (const state of circuit.states.slice(0, 3))
      for (const fault of faults.filter((_, i) => i % 17 === 0)) {
        const near = solveBoard(circuit, [fault], state)
        // A guess of its own is taken before the sound board’s.
        const far = solveBoard({ ...circuit, parts: [...circuit.parts] }, [fault], { ...state })
        if (!near.ok || !far.ok) continue
        const off = Math.max(...near.point.voltage.map((v, i) => Math.abs(v - far.point.voltage[i]!)))
        expect(off, `${state.name}, ${fault.kind} ${fault.part}`).toBeLessThan(1e-9)
        expect([...near.board.modes.values()]).toEqual([...far.board.modes.values()])
      }
  })
})
