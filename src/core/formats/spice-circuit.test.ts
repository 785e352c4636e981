import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { readCircuit } from '../editing'
import { stateKey } from '../readings'
import { solveBoard } from '../board'
import { Solver } from '../solve'
import { circuitOfSpice, readSpice } from '.'

const bridge = 'Bridge\nV1 in 0 12\nR1 in a 100\nR2 a 0 200\nR3 in b 300\nR4 b 0 100\nR5 a b 50\n.op\n.end\n'

describe('a netlist as a circuit', () => {
  it('has the volts that nodal analysis gives', () => {
    const read = circuitOfSpice(bridge)
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(readCircuit(read.value)).toMatchObject({ ok: true })
    const key = stateKey(read.value, [], read.value.states[0]!)
    if (!key.ok) throw new Error(tell(key.why))
    // By hand: va (1/100 + 1/200 + 1/50) − vb/50 = 0.12; vb (1/300 + 1/100 + 1/50) − va/50 = 0.04.
    const det = (0.035 * 0.1) / 3 - 0.0004
    const va = ((0.12 * 0.1) / 3 + 0.04 * 0.02) / det
    const vb = (0.035 * 0.04 + 0.12 * 0.02) / det
    const at = (name: string) => key.points.find((p) => p.name === name)!.value!
    expect(at('R1b')).toBeCloseTo(va, 3)
    expect(at('R3b')).toBeCloseTo(vb, 3)
  })

  it('turns a source round whose plus stands on the reference', () => {
    const read = circuitOfSpice('t\nV1 0 a -9\nR1 a 0 10\n.end\n')
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(read.value.parts[0]).toMatchObject({ kind: 'benchSupply', parameters: { volts: 9 } })
  })

  it('has diodes of their own models and loads of constant amps, with the volts of the netlist', () => {
    const text =
      'mixed\nV1 in 0 12\nR1 in a 100\nD1 a b m1\nD2 b 0 m2\nR2 in c 0.5\nI1 c 0 2\n.model m1 D(IS=2e-9 N=1.8 RS=0.4)\n.model m2 D(IS=1e-15)\n.op\n.end\n'
    const plain = readSpice(text)
    const read = circuitOfSpice(text)
    if (!read.ok || !plain.ok) throw new Error(JSON.stringify(read))
    const expected = new Solver(plain.value.network).solve()
    const solved = solveBoard(read.value, [], read.value.states[0]!)
    if (!solved.ok || !expected.ok) throw new Error('unsolved')
    const ours = (name: string) => solved.point.voltage[solved.board.wiring.find(name)!.node]!
    const theirs = (name: string) => expected.voltage[plain.value.nodeNames.indexOf(name)]!
    // The bench supply has a microhm and its clamps two, which two amps make four microvolts of.
    expect(ours('R1b')).toBeCloseTo(theirs('a'), 4)
    expect(ours('VC1k')).toBeCloseTo(theirs('b'), 4)
    expect(ours('EL1a')).toBeCloseTo(theirs('c'), 4)
    expect(theirs('c')).toBeCloseTo(11, 9)
  })

  it.each([
    ['t\nR1 a 0 10\n.end\n', /No voltage source/],
    ['t\nV1 a 0 12\nI1 0 a 1\n.end\n', /gives power/],
    ['t\nV1 a 0 12\nI1 a 0 900\n.end\n', /1 mA to 200 A/],
    ['t\nV1 a 0 12\nR1 a b 10\nD1 b 0 m\n.model m D(IS=1e-14 N=20)\n.end\n', /D1: its model gives/],
    ['t\nV1 a 0 12\nR1 a 0 1m\n.end\n', /0\.01 Ω to 1 MΩ/],
    ['t\nV1 a 0 400\nR1 a 0 10\n.end\n', /0\.1 to 60 V/],
    ['t\nQ1 a 0 12\n.end\n', /not understood/],
  ])('says what does not fit', (text, what) => {
    const read = circuitOfSpice(text)
    expect(read.ok ? '' : read.problems.map((p) => tell(p)).join()).toMatch(what)
  })
})
