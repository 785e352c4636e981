import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { junctionLaw, thermalVoltage } from './junction'
import { motorLaw, motorSpeed } from './motor'
import { noticeAll, solveBoard } from '../board'
import type { Fault } from '../faults'
import { demoCircuit, stateOf } from '../../../test/demo'

const at = (law: { at: (v: number, out: { current: number; slope: number }) => void }, volts: number) => {
  const out = { current: 0, slope: 0 }
  law.at(volts, out)
  return out
}
const pump = { ratedVoltage: 12, ratedCurrent: 3.6, armatureOhms: 0.7, friction: 0.15 }

describe('permanent-magnet motor', () => {
  const law = motorLaw(pump)

  it('takes its rated amps at its rated volts and turns at its rated speed', () => {
    expect(at(law, 12).current).toBeCloseTo(3.6, 9)
    expect(motorSpeed(pump, 12)).toBeCloseTo(1, 9)
  })

  it('stands still below what its friction asks for, as a resistor', () => {
    expect(motorSpeed(pump, 0.3)).toBe(0)
    expect(at(law, 0.3).current).toBeCloseTo(0.3 / 0.7, 9)
  })

  it('keeps the balance of torque and of energy at every voltage', () => {
    for (const volts of [0.5, 2, 6, 9, 12, 15]) {
      const amps = at(law, volts).current
      const speed = motorSpeed(pump, volts)
      expect(amps).toBeCloseTo(3.6 * (0.15 + 0.85 * speed ** 2), 6)
      const back = (12 - 0.7 * 3.6) * speed
      expect(volts * amps).toBeCloseTo(amps ** 2 * 0.7 + back * amps, 9)
    }
  })

  it('gives the slope of its own curve, the same either way round', () => {
    for (const volts of [0.2, 1, 6, 12, -9]) {
      const h = 1e-6
      expect(at(law, volts).slope).toBeCloseTo(
        (at(law, volts + h).current - at(law, volts - h).current) / (2 * h),
        4,
      )
      expect(at(law, -volts).current).toBeCloseTo(-at(law, volts).current, 12)
    }
  })
})

describe('what a person notices of the washer pump', () => {
  const circuit = demoCircuit('van-washer-pump')
  const noticed = (fault: Fault | undefined, part: string) => {
    const solved = solveBoard(circuit, fault ? [fault] : [], stateOf(circuit, 'both'))
    if (!solved.ok) throw new Error(tell(solved.why))
    return noticeAll(solved).find((n) => n.part === part)?.key
  }
  it.each<[string, Fault | undefined, string]>([
    ['sound', undefined, 'turns'],
    ['seized', { kind: 'seized', part: 'M1', segment: 'armature' }, 'stalled'],
    ['with worn brushes', { kind: 'highResistance', part: 'M1', segment: 'armature', severity: 3 }, 'slow'],
    ['on a bad ground', { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 6 }, 'slow'],
    ['with an open armature', { kind: 'burntOut', part: 'M1', segment: 'armature' }, 'still'],
  ])('%s: %s → %s', (_name, fault, key) => expect(noticed(fault, 'M1')).toBe(key))

  it('draws more when it drags, and most when it is seized', () => {
    const amps = (kind: Fault['kind'] | undefined) => {
      const solved = solveBoard(
        circuit,
        kind ? [{ kind, part: 'M1', segment: 'armature' }] : [],
        stateOf(circuit, 'wash'),
      )
      if (!solved.ok) throw new Error(tell(solved.why))
      const i = solved.board.elements.findIndex((e) => e.owner.part === 'M1')
      return solved.blown.size ? Infinity : solved.point.current[i]!
    }
    expect(amps('dragging')).toBeGreaterThan(1.15 * amps(undefined))
    expect(amps('seized')).toBeGreaterThan(2 * amps('dragging'))
  })
})

describe('junction', () => {
  it('grows by e for every n·V_T, 25.85 mV at 300 K (CODATA)', () => {
    expect(thermalVoltage(300)).toBeCloseTo(0.025852, 6)
    const law = junctionLaw({ saturation: 1e-14, emission: 1, kelvin: 300 })
    expect(at(law, 0.6).current / at(law, 0.6 - thermalVoltage(300)).current).toBeCloseTo(Math.E, 6)
    expect(Math.abs(at(law, -5).current)).toBeLessThan(1e-10)
  })

  it('of the LED lamp passes its rated amps at its rated volts', () => {
    const circuit = demoCircuit('van-washer-pump')
    const solved = solveBoard(circuit, [], stateOf(circuit, 'both'))
    if (!solved.ok) throw new Error(tell(solved.why))
    const node = (key: string) => solved.point.voltage[solved.board.wiring.nodeOf('D1', key)]!
    const amps = solved.point.current[solved.board.elements.findIndex((e) => e.owner.part === 'D1')]!
    const volts = node('a') - node('b')
    expect(volts).toBeGreaterThan(12)
    expect(amps).toBeGreaterThan(0.3)
    expect(amps).toBeLessThan(0.36)
  })
})
