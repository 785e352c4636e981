import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { aftermath, noticeAll, solveBoard, type SolvedBoard } from '.'
import type { Circuit, CircuitState } from '../circuit'
import type { Fault } from '../faults'
import { Expectations, workshopMeter } from '../instruments'
import { demoCircuit, stateOf } from '../../../test/demo'

function solve(circuit: Circuit, state: string | CircuitState, faults: readonly Fault[] = []): SolvedBoard {
  const solved = solveBoard(circuit, faults, typeof state === 'string' ? stateOf(circuit, state) : state)
  if (!solved.ok) throw new Error(tell(solved.why))
  return solved
}
const notice = (solved: SolvedBoard, part: string) => noticeAll(solved).find((n) => n.part === part)?.key
const at = (solved: SolvedBoard, name: string) => solved.volts(solved.board.wiring.find(name)!.node, 0)!
const change = (circuit: Circuit, part: string, parameters: object): Circuit => ({
  ...circuit,
  parts: circuit.parts.map((p) =>
    p.id === part ? { ...p, parameters: { ...p.parameters, ...parameters } } : p,
  ),
})

describe('a relay', () => {
  const fan = demoCircuit('van-cooling-fan')

  it('pulls in, and its load runs through its contacts', () => {
    const on = solve(fan, 'on')
    expect(notice(on, 'K1')).toBe('clicks')
    expect(notice(on, 'M1')).toBe('turns')
    expect(on.limitCycle).toBeUndefined()
    expect(notice(solve(fan, 'off'), 'K1')).toBe('silent')
  })

  it('buzzes where its load pulls down the ground that its coil needs; both extremes and the mean are readable', () => {
    const poor: Fault = { kind: 'corroded', part: 'ST1', segment: 'bolt', severity: 3 }
    const solved = solve(fan, 'on', [poor])
    expect(solved.limitCycle?.parts).toEqual(['K1'])
    expect(notice(solved, 'K1')).toBe('buzzes')
    const node = solved.board.wiring.find('K1.87')!.node
    const expected = new Expectations(solved, workshopMeter).volts(node, 0)
    const [low, high] = expected.extremes!
    expect(high - low).toBeGreaterThan(5)
    expect(expected.value).toBeCloseTo((low + high) / 2, 9)
    expect(expected.band).toBeGreaterThanOrEqual((high - low) / 2)
    expect(solved.amps('M1', 'armature')).toBeGreaterThan(0.5)
  })

  it('keeps what it holds between drop-out and pull-in: hysteresis, and a state entered from another', () => {
    // 5 V at the coil: too little to pull it in, enough to hold it.
    const between = change(change(fan, 'K1', { pullIn: 11, dropOut: 4 }), 'B1', { charge: 95 })
    const weak: Fault = { kind: 'highResistance', part: 'W6', segment: 'copper', severity: 60 }
    const fromRest = solve(between, 'on', [weak])
    expect(notice(fromRest, 'K1')).toBe('silent')
    const states: CircuitState[] = [
      { ...stateOf(between, 'on'), id: 'held', bypassed: [['W6.a', 'W6.b']] },
      { ...stateOf(between, 'on'), id: 'let', after: 'held' },
    ]
    const staged = { ...between, states }
    expect(notice(solve(staged, states[0]!, [weak]), 'K1')).toBe('clicks')
    expect(notice(solve(staged, states[1]!, [weak]), 'K1')).toBe('clicks')
  })

  it('with welded contacts runs its load with the switch off; with burnt ones under-feeds it; a dead coil leaves it', () => {
    expect(notice(solve(fan, 'off', [{ kind: 'welded', part: 'K1', segment: 'make' }]), 'M1')).toBe('turns')
    const burnt = solve(fan, 'on', [{ kind: 'burnt', part: 'K1', segment: 'make', severity: 0.8 }])
    expect(notice(burnt, 'K1')).toBe('clicks')
    expect(notice(burnt, 'M1')).not.toBe('turns')
    const dead = solve(fan, 'on', [{ kind: 'open', part: 'K1', segment: 'coil' }])
    expect(notice(dead, 'K1')).toBe('silent')
    // Full volts at the coil and no click: the coil itself.
    expect(at(dead, 'K1.86') - at(dead, 'K1.85')).toBeGreaterThan(12)
  })

  it('connected the wrong way round with a diode across its coil blows its control fuse', () => {
    const diode = change(fan, 'K1', { suppression: 'diode' })
    expect([...solve(diode, 'on').blown]).toEqual([])
    expect([...solve(diode, 'on', [{ kind: 'reversed', part: 'K1', segment: 'coil' }]).blown]).toEqual(['F2'])
  })

  it('is proven from its socket alone, the relay pulled (common practice, no source)', () => {
    const socket = (state: string) => solve(fan, { ...stateOf(fan, state), detached: ['K1'] })
    const on = socket('on')
    expect(at(on, 'K1.30')).toBeCloseTo(12.62, 2)
    expect(at(on, 'K1.86')).toBeCloseTo(12.62, 2)
    expect(Math.abs(at(on, 'K1.85'))).toBeLessThan(0.01)
  })

  it('goes by either numbering', () => {
    const brush = demoCircuit('sweeper-brush-relay')
    const { wiring } = solve(brush, 'off').board
    expect(tell(wiring.find('K1.3')!.title)).toBe('socket, contact supply')
    expect(wiring.find('K1.30')).toBeUndefined()
    expect(tell(wiring.find('K1.5')!.title)).toBe('socket, make contact')
  })
})

describe('a starter', () => {
  const van = demoCircuit('van-starting')

  it('cranks harder in the cold: amps up, volts down (common practice, no source)', () => {
    const [warm, cold] = [solve(van, 'crank'), solve(van, van.states.find((s) => s.temperature === -18)!.id)]
    expect(at(warm, 'B1+')).toBeGreaterThan(10)
    expect(at(warm, 'B1+')).toBeLessThan(11)
    expect(at(cold, 'B1+')).toBeGreaterThan(8)
    expect(at(cold, 'B1+')).toBeLessThan(9.2)
    expect(cold.amps('MS1', 'motor')).toBeGreaterThan(1.2 * warm.amps('MS1', 'motor'))
    expect(notice(cold, 'MS1')).toBe('slow')
    // Two volts down does not crank as it should.
    const flat = solve(van, 'crank', [{ kind: 'discharged', part: 'B1', segment: 'cells', severity: 2 }])
    expect(notice(flat, 'MS1')).not.toBe('cranks')
    // A sound stud of a starter's size is tens of millivolts, not hundreds.
    expect(at(warm, 'G9e') - at(warm, 'G9c')).toBeLessThan(0.06)
  })

  it('cranks with hundreds of amps, its control with tens', () => {
    const crank = solve(van, 'crank')
    expect(notice(crank, 'MS1')).toBe('cranks')
    expect(crank.amps('MS1', 'motor')).toBeGreaterThan(120)
    expect(crank.amps('MS1', 'holdIn')).toBeGreaterThan(15)
    // Once the main contact has closed, the pull-in winding lies between two equal voltages.
    expect(Math.abs(crank.amps('MS1', 'pullIn'))).toBeLessThan(1.5)
  })

  it('draws about 40 A before it moves (common practice, no source)', () => {
    const held = change(van, 'MS1', { pullAmps: 90 })
    const solved = solve(held, 'crank')
    expect(notice(solved, 'MS1')).toBe('silent')
    const amps = solved.amps('MS1', 'pullIn') + solved.amps('MS1', 'holdIn')
    expect(amps).toBeGreaterThan(30)
    expect(amps).toBeLessThan(45)
  })

  it('chatters on a worn battery: pulled in, the motor takes the volts that hold it', () => {
    const solved = solve(van, 'crank', [{ kind: 'sulphated', part: 'B1', segment: 'cells', severity: 12 }])
    expect(notice(solved, 'MS1')).toBe('chatters')
    expect(solved.limitCycle?.phases).toHaveLength(2)
  })

  it('stays silent with its S terminal corroded, where a small test lamp lights and a voltmeter is content', () => {
    const bad: Fault = { kind: 'corroded', part: 'G8', segment: 'eyelet', severity: 3 }
    const open = solve(van, 's-off', [bad])
    expect(at(open, 'G8c')).toBeGreaterThan(12)
    const crank = solve(van, 'crank', [bad])
    expect(notice(crank, 'MS1')).toBe('silent')
    expect(at(crank, 'G8e') - at(crank, 'G8c')).toBeGreaterThan(8)
  })
})

describe('what else switches by itself', () => {
  it('a breaker that resets itself cycles on a seized motor; one with a button stays off', () => {
    const hopper = demoCircuit('sweeper-hopper-motor')
    const seized: Fault = { kind: 'seized', part: 'M1', segment: 'armature' }
    expect(notice(solve(hopper, 'on', [seized]), 'CB1')).toBe('cycles')
    const byHand = change(hopper, 'CB1', { reset: 'hand' })
    const tripped = solve(byHand, 'on', [seized])
    expect(notice(tripped, 'CB1')).toBe('tripped')
    expect(tripped.amps('M1', 'armature')).toBeCloseTo(0, 9)
  })

  it('a two-filament lamp that has lost its ground lights one filament through the other and the reversing lamp', () => {
    const rear = demoCircuit('van-rear-lamps')
    const lifted: Fault = { kind: 'open', part: 'G1', segment: 'foot' }
    const stop = solve(rear, { ...stateOf(rear, 'stop'), controls: { PB1: 'pressed' } }, [lifted])
    expect(Math.abs(stop.amps('LT1', 'faint'))).toBe(0)
    const solved = solve(rear, 'stop', [{ kind: 'highResistance', part: 'G1', segment: 'foot', severity: 4 }])
    // The lifted ground stands above zero for every lamp on it at once.
    expect(at(solved, 'G1e')).toBeGreaterThan(2)
    expect(notice(solved, 'LT1')).not.toBe('bright-bright')
  })

  it('a slack terminal is sound until it is moved', () => {
    const side = demoCircuit('sweeper-side-harness')
    const slack: Fault = { kind: 'slack', part: 'SPL1', segment: 'crimp' }
    expect(notice(solve(side, 'all', [slack]), 'L1')).toBe('bright')
    expect(notice(solve(side, 'wiggled', [slack]), 'L1')).toBe('dark')
  })

  it('a bad engine strap lifts every reading that is taken against the block', () => {
    const van = demoCircuit('van-starting')
    const bad: Fault = { kind: 'highResistance', part: 'ST1', segment: 'bolt', severity: 0.02 }
    const solved = solve(van, 'crank', [bad])
    expect(at(solved, 'MS1.31')).toBeGreaterThan(1.5)
    expect(notice(solved, 'MS1')).not.toBe('cranks')
  })
})

describe('a jumper with a fuse of its own', () => {
  const lamp = demoCircuit('sweeper-work-lamp')
  const on = stateOf(lamp, 'on')

  it('carries what its fuse carries, and across the load opens instead of burning', () => {
    const round = solve(lamp, { ...on, bypassed: [['S1.a', 'W4.b']], jumperFuse: 10 })
    expect(notice(round, 'L1')).toBe('bright')
    expect([...round.blown]).toEqual([])
    const across = solve(lamp, { ...on, bypassed: [['L1.a', 'L1.b']], jumperFuse: 3 })
    expect([...across.blown]).toEqual(['jumper1'])
    // What is gone there is renewed before it is put on again.
    expect([
      ...aftermath({ ...lamp, states: [{ ...on, bypassed: [['L1.a', 'L1.b']], jumperFuse: 3 }] }, []),
    ]).toEqual([])
  })

  it('makes a supplemental ground, which proves a bad one', () => {
    const bad: Fault = { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 2 }
    const helped = solve(lamp, { ...on, bypassed: [['G1.n', 'B1.neg']], jumperFuse: 10 }, [bad])
    expect(at(helped, 'G1n')).toBeLessThan(0.1)
    expect(at(solve(lamp, on, [bad]), 'G1n')).toBeGreaterThan(2)
  })
})
