import { describe, expect, it } from 'vitest'
import { advance, defaultFrame, perform, startBench, type Order } from '../attempt'
import type { Circuit } from '../circuit'
import { tell } from '../words'
import { demoCircuit, stateOf } from '../../../test/demo'
import { aftermath, noticeAll, segmentAmps, solveBoard } from '.'
import type { Fault } from '../faults'

/** The circuit with other values on one part. */
const withValues = (circuit: Circuit, id: string, values: Record<string, number>): Circuit => ({
  ...circuit,
  parts: circuit.parts.map((p) => (p.id === id ? { ...p, parameters: { ...p.parameters, ...values } } : p)),
})
const noticed = (circuit: Circuit, state: string, part: string, faults: readonly Fault[] = []) => {
  const solved = solveBoard(circuit, faults, stateOf(circuit, state), { blown: aftermath(circuit, faults) })
  if (!solved.ok) throw new Error(tell(solved.why))
  return noticeAll(solved).find((n) => n.part === part)?.key
}
const joint = (part: string, severity: number, segment = 'pin'): Fault => ({
  kind: 'highResistance',
  part,
  segment,
  severity,
})

describe('what a workshop would believe', () => {
  it.each([
    [95, 'cranks'],
    [80, 'cranks'],
    [20, 'slow'],
    [0, 'chatters'],
  ])('a battery at %s %% has the starter: %s', (charge, key) => {
    expect(noticed(withValues(demoCircuit('van-starting'), 'B1', { charge }), 'crank', 'MS1')).toBe(key)
  })

  it('a 12 V lamp on 24 V burns out, and stays dark until a new one and 12 V', () => {
    const lamp = demoCircuit()
    expect(noticed(withValues(lamp, 'B1', { blocks: 2 }), 'on', 'L1')).toBe('dark')
    // Twice its volts: some minutes by the thirteenth power of lighting handbooks; a fifth over is a year.
    expect(noticed(withValues(lamp, 'L1', { ratedVoltage: 10 }), 'on', 'L1')).toBe('bright')
    expect([...aftermath(withValues(lamp, 'L1', { ratedVoltage: 6, ratedPower: 20 }), [])]).toEqual(['L1'])
    expect([...aftermath(lamp, [])]).toEqual([])
  })

  it('a 12 V coil on 60 V burns out; on a 24 V battery too, and not on 14.4 V', () => {
    const fan = demoCircuit('van-cooling-fan')
    expect(noticed(fan, 'on', 'K1')).toBe('clicks')
    expect(noticed(withValues(fan, 'B1', { blocks: 2 }), 'on', 'K1')).toBe('silent')
    expect([...aftermath(withValues(fan, 'B1', { blocks: 2 }), [])]).toContain('K1')
  })

  it('a new part goes in the place of a burnt-out one, and burns out again where the cause is still there', () => {
    const circuit = withValues(demoCircuit(), 'L1', { ratedVoltage: 6, ratedPower: 20 })
    const order: Order = { circuit, planted: [], frame: defaultFrame() }
    let bench = startBench(order)
    expect(bench.blown).toEqual(['L1'])
    const done = perform(order, bench, ['test'], { type: 'repair', piece: 'L1.bulb', by: 'replace' })
    if (!done.ok) throw new Error(tell(done.why))
    bench = advance(order, bench, done.step)
    expect(bench.blown).toEqual([])
    const on = perform(order, bench, ['test'], {
      type: 'operate',
      arrangement: { controls: { S1: 'closed' }, detached: [] },
    })
    expect(on.ok && on.step.type === 'operate' && on.step.did?.blown).toEqual(['L1'])
  })

  it('a lamp at half the light of its like is dim beside it, and bright alone', () => {
    const same = { ratedVoltage: 21, ratedPower: 70, workingKelvin: 2800 }
    const lights = withValues(withValues(demoCircuit('gritter-spinner-lights'), 'L1', same), 'L2', same)
    const shown = (S1: string, ohms: number) => {
      const state = { id: 'x', name: 'x', controls: { S1, S2: 'closed' }, detached: [] }
      const solved = solveBoard(lights, [joint('X2', ohms)], state)
      if (!solved.ok) throw new Error(tell(solved.why))
      return noticeAll(solved)
        .filter(({ part }) => part.startsWith('L'))
        .map(({ key }) => key)
    }
    expect(shown('closed', 0.01)).toEqual(['bright', 'bright'])
    expect(shown('closed', 1.6)).toEqual(['bright', 'dim'])
    expect(shown('open', 1.6)).toEqual(['dark', 'bright'])
  })

  it('a motor that loses 2.4 V is heard to be slow, one that loses 1 V is not', () => {
    const pump = demoCircuit('van-washer-pump')
    const slow = (volts: number) => noticed(pump, 'wash', 'M1', [joint('W3', volts / 3.3, 'copper')])
    expect(slow(2.4)).toBe('slow')
    expect(slow(0.7)).toBe('turns')
  })

  it('an alternator holds its volts within two tenths while it has amps left', () => {
    const circuit = demoCircuit('van-charging')
    for (const { id, engine } of circuit.states) {
      if (engine !== 'running') continue
      const solved = solveBoard(circuit, [], stateOf(circuit, id))
      if (!solved.ok) throw new Error(tell(solved.why))
      const amps = segmentAmps(solved.board, solved.point, 'GA1', 'output')
      const at = (key: string) => solved.point.voltage[solved.board.wiring.nodeOf('GA1', key)]!
      if (Math.abs(amps) < 80) expect(14.4 - (at('plus') - at('case'))).toBeLessThan(0.25)
    }
  })
})
