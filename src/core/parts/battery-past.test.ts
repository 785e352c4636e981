import { describe, expect, it } from 'vitest'
import { surfaceLaw } from '.'
import { solveBoard } from '../board'
import type { CircuitState } from '../circuit'
import type { Fault } from '../faults'
import { tell } from '../words'
import { demoCircuit } from '../../../test/demo'

describe('a battery and what it has been through (common practice, no source)', () => {
  const circuit = demoCircuit('sweeper-work-lamp')
  const off = circuit.states.find(({ id }) => id === 'off')!
  const drain: Fault = { kind: 'drain', part: 'F1', segment: 'clipOut', severity: 4.8 }
  const solved = (battery: CircuitState['battery'], faults: readonly Fault[] = []) => {
    const board = solveBoard(circuit, faults, { ...off, ...(battery && { battery }) })
    if (!board.ok) throw new Error(tell(board.why))
    const at = (name: string) => board.board.wiring.find(name)!.node
    return {
      volts: board.volts(at('B1+'), at('B1-'))!,
      amps: Math.abs(board.amps('F1', 'clipIn')),
    }
  }

  it('stands high after charging, and comes down to where it rests', () => {
    const rested = solved(undefined).volts
    expect(solved({ after: 'charging', minutes: 0 }).volts - rested).toBeCloseTo(0.9, 2)
    expect(solved({ after: 'charging', minutes: 60 }).volts - rested).toBeGreaterThan(0.3)
    expect(solved({ after: 'charging', minutes: 1440 }).volts - rested).toBeLessThan(0.01)
  })

  it('lets a drain of 5.1 A sag to some 4.7 A minutes later', () => {
    const first = solved({ after: 'charging', minutes: 0 }, [drain]).amps
    const later = solved({ after: 'charging', minutes: 10 }, [drain]).amps
    expect(first).toBeGreaterThan(5)
    expect(later / first).toBeGreaterThan(0.9)
    expect(later / first).toBeLessThan(0.95)
  })

  it('bounces back after a heavy load', () => {
    const rested = solved(undefined).volts
    const row = [0, 1, 3, 10, 60].map((minutes) => solved({ after: 'load', minutes }).volts)
    expect(rested - row[0]!).toBeCloseTo(0.35, 2)
    expect([...row].sort((a, b) => a - b)).toEqual(row)
    expect(rested - row[4]!).toBeLessThan(0.001)
  })

  it('takes what its law says, at any current: v = R·i + s·(1 − exp(−i·t/Q))', () => {
    const law = surfaceLaw(0.9, 0.008, 600)
    const out = { current: 0, slope: 0 }
    for (const i of [-40, -1, 0, 0.02, 0.5, 5, 60, 300]) {
      law.at(0.008 * i + (i > 0 ? 0.9 * (1 - Math.exp((-i * 600) / 1200)) : 0), out)
      expect(out.current).toBeCloseTo(i, 6)
    }
  })
})
