import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { demoCircuit, stateOf } from '../../../test/demo'
import { readCircuit } from '../editing'
import { Belief, Predictor } from '../diagnosis'
import type { Fault } from '../faults'
import { dropRows, stateKey } from '../readings'
import { course } from '../time'
import { segmentAmps, solveBoard } from '.'

describe('boards that were given up on', () => {
  it('have an answer: a corroded pin before a diode and a load that takes its own current', () => {
    const circuit = demoCircuit('bench-drop-board')
    const pins = ['pin1', 'pin2', 'pin3', 'pin4'].flatMap((segment): Fault[] =>
      [0.2, 0.5, 1, 3].map((severity) => ({ kind: 'corroded', part: 'XP1', segment, severity })),
    )
    let solved = 0
    for (const fault of pins)
      for (const state of circuit.states) {
        const board = solveBoard(circuit, [fault], state)
        expect(board.ok, `${fault.segment} ${fault.severity} ${state.id}`).toBe(true)
        if (!board.ok) continue
        solved++
        // What goes into each node comes out of it again.
        const { point } = board
        const sums = new Float64Array(board.board.nodeCount)
        board.board.elements.forEach((element, i) => {
          sums[element.a]! -= point.current[i]!
          sums[element.b]! += point.current[i]!
        })
        sums.forEach((sum, node) => node > 0 && expect(Math.abs(sum), `node ${node}`).toBeLessThan(1e-6))
      }
    expect(solved).toBe(pins.length * circuit.states.length)
  })

  it('explain nothing where they have no answer at all', () => {
    const circuit = demoCircuit()
    const predictor = new Predictor(circuit)
    const state = stateOf(circuit, 'on')
    const fact = { type: 'seen', state, seen: {} } as const
    const all = Belief.of(predictor)
    expect(all.with(fact).alive).toHaveLength(all.alive.length)
    const sweep = predictor.sweep(predictor.hypotheses[1]!, predictor.situation(state))
    Object.assign(sweep.at(0), { switching: 'none' })
    Object.assign(sweep.at(sweep.hypothesis.grid.length - 1), { switching: 'none' })
    expect(predictor.miss(sweep.at(0), fact)).toEqual({ below: Infinity, above: Infinity })
  })
})

describe('the volts of the system', () => {
  it.each([
    [12.6, 0.5],
    [25.2, 0.5],
  ])('on a bench supply of %s V make a drain of %s A draw that', (volts, amps) => {
    const lamp = demoCircuit()
    const supply = { id: 'B1', kind: 'benchSupply', name: 'supply', parameters: { volts } }
    const parts = lamp.parts.map((part) => (part.id === 'B1' ? supply : part))
    const read = readCircuit({ ...lamp, parts }, { unfinished: true })
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    const board = solveBoard(read.value, [{ kind: 'drain', part: 'X1', segment: 'pin', severity: amps }], {
      ...stateOf(lamp, 'off'),
      controls: { S1: 'closed' },
      detached: ['L1'],
    })
    if (!board.ok) throw new Error('unsolved')
    const drawn = Math.abs(segmentAmps(board.board, board.point, 'F1', 'link'))
    expect(Math.abs(drawn / amps - 1)).toBeLessThan(0.05)
  })
})

describe('a fuse that is the wrong one', () => {
  it('melts in the time course under what it was not made for, also where nobody said which', () => {
    const circuit = demoCircuit()
    const faults: Fault[] = [
      { kind: 'wrongFuse', part: 'F1', segment: 'link' },
      { kind: 'shortToGround', part: 'W2', segment: 'copper', severity: 0.001 },
    ]
    const found = course(circuit, faults, { from: undefined, to: stateOf(circuit, 'on'), until: 20 })
    if (!found.ok) throw new Error('no course')
    expect(found.happenings.some((h) => JSON.stringify(h).includes('F1'))).toBe(true)
  })
})

describe('“only what the fault changes”', () => {
  it('shows what falls as it shows what rises', () => {
    const circuit = demoCircuit()
    const state = stateOf(circuit, 'on')
    const key = (faults: readonly Fault[]) => {
      const made = stateKey(circuit, faults, state)
      if (!made.ok) throw new Error('no key')
      return made
    }
    const rows = dropRows(
      key([]),
      key([{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 1 }]),
    )
    const lamp = rows.find((row) => row.part === 'L1' && tell(row.name).includes('filament'))!
    expect(lamp.change).toBeLessThan(-1)
    expect(lamp.bad).toBe(true)
    expect(rows.find((row) => row.part === 'G1' && row.bad)!.change).toBeGreaterThan(1)
  })
})
