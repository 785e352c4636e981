import { describe, expect, it } from 'vitest'
import { kneeVolts, saturationOf } from './curve-diode'
import { loadLaw } from './electronic-load'

const at = (amps: number, volts: number) => {
  const out = { current: 0, slope: 0 }
  loadLaw(amps).at(volts, out)
  return out
}

describe('an electronic load', () => {
  it.each([0.5, 2, 12.6, 28])('draws what it is set to at %d V', (volts) => {
    expect(at(5, volts).current).toBeCloseTo(5, 2)
  })

  it('draws nothing without volts, and what it feeds back it takes out of what it is fed', () => {
    expect(at(5, 0).current).toBe(0)
    for (const volts of [-3, -0.2, -0.01]) expect(at(5, volts).current * volts).toBeGreaterThan(0)
  })

  it('never has a falling law, and its slope is that of its amps', () => {
    for (let v = -1; v < 1; v += 0.013) {
      const h = 1e-6
      const slope = (at(5, v + h).current - at(5, v - h).current) / (2 * h)
      expect(at(5, v).slope).toBeGreaterThan(0)
      expect(at(5, v).slope).toBeCloseTo(slope, 3)
    }
  })
})

describe('a diode by its curve', () => {
  it('drops its knee volts at one milliamp, whatever the temperature', () => {
    for (const kelvin of [250, 300, 380])
      for (const volts of [0.2, 0.65, 1.7])
        expect(kneeVolts(saturationOf(volts, 1.4, kelvin), 1.4, kelvin)).toBeCloseTo(volts, 12)
  })

  it('has the volts that Shockley’s law gives for a known saturation current', () => {
    // By hand: 0.025865 V × ln(1 mA / 1e-14 A + 1) at 300.15 K.
    expect(kneeVolts(1e-14, 1, 300.15)).toBeCloseTo(0.025865 * Math.log(1e11), 4)
  })
})
