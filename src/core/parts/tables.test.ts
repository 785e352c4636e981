import { describe, expect, it } from 'vitest'
import { internalResistance, openCircuitVoltage } from './battery'
import { fuseColdOhms, fuseLaw, fuseRatedDrop } from './fuse'
import { brightness, filamentKelvin, filamentLaw, filamentOhms } from './lamp'
import { areaOfGauge } from '../quantity'
import { copperOhms } from './wire'

const lamp55 = { ratedVoltage: 12, ratedPower: 55, workingKelvin: 2800 }
const room = 293.15
const ampsAt = (law: { at: (v: number, out: { current: number; slope: number }) => void }, volts: number) => {
  const out = { current: 0, slope: 0 }
  law.at(volts, out)
  return out
}

describe('wire', () => {
  // NBS Handbook 100, copper wire tables: ohms per 1000 ft at 20 °C.
  it.each([
    [12, 1.588],
    [14, 2.525],
    [18, 6.385],
  ])('AWG %i is %d Ω per 1000 ft', (gauge, ohms) => {
    expect(copperOhms(304.8, areaOfGauge(gauge), 20) / ohms).toBeCloseTo(1, 3)
  })

  // ISO 6722-1, largest Ω/km at 20 °C (from memory). Metal of the nominal section must lie below, but not far below.
  it.each([
    [0.5, 37.1],
    [0.75, 24.7],
    [1, 18.5],
    [1.5, 12.7],
    [2.5, 7.6],
    [4, 4.71],
    [6, 3.14],
    [10, 1.82],
    [16, 1.16],
    [25, 0.743],
  ])('%d mm² stays under %d Ω/km', (section, most) => {
    const ohms = copperOhms(1000, section, 20)
    expect(ohms).toBeLessThan(most)
    expect(ohms).toBeGreaterThan(0.9 * most)
  })

  it('rises by 0.393 % per kelvin (IEC 60028)', () => {
    expect(copperOhms(10, 1.5, 70) / copperOhms(10, 1.5, 20)).toBeCloseTo(1.1965, 9)
  })
})

describe('fuse', () => {
  // ISO 8820-3 / SAE J1284, from memory: volts across it at its rating.
  it.each([
    [5, 0.128],
    [7.5, 0.116],
    [10, 0.109],
    [15, 0.102],
    [20, 0.098],
    [25, 0.092],
    [30, 0.084],
  ])('%d A drops %d V at its rating', (rating, drop) => {
    expect(fuseRatedDrop(rating)).toBeCloseTo(drop, 6)
    expect(ampsAt(fuseLaw(rating), drop).current).toBeCloseTo(rating, 6)
  })

  it('of 15 A: 10 mV is about 2.1 A and 17.7 mV about 3.7 A (common practice, no source)', () => {
    expect(ampsAt(fuseLaw(15), 0.01).current).toBeCloseTo(2.1, 1)
    // The trade's figure is the cold fuse's; ours has warmed a little by then.
    expect(Math.abs(ampsAt(fuseLaw(15), 0.0177).current / 3.7 - 1)).toBeLessThan(0.03)
  })

  it('of 25 A feeding 10.5 Ω shows about 3 mV (common practice, no source)', () => {
    const amps = 12.6 / 10.5
    expect(amps * fuseColdOhms(25) * 1000).toBeCloseTo(3, 0)
  })
})

describe('filament lamp', () => {
  it('takes its rated watts at its rated volts', () => {
    for (const watts of [5, 21, 55, 60]) {
      const law = filamentLaw({ ...lamp55, ratedPower: watts }, room)
      expect(ampsAt(law, 12).current * 12).toBeCloseTo(watts, 6)
    }
  })

  // Lighting handbooks' re-rating exponent, within what holds from 80 to 120 % of the rating.
  it('follows I ∝ V^0.55 near the rating', () => {
    const law = filamentLaw(lamp55, room)
    const exponent = Math.log(ampsAt(law, 13.2).current / ampsAt(law, 10.8).current) / Math.log(13.2 / 10.8)
    expect(exponent).toBeCloseTo(0.55, 2)
  })

  // Jones and Langmuir 1927 / CRC Handbook, from memory: R/R₃₀₀.
  it.each([
    [1200, 5.48],
    [2000, 10.03],
    [2500, 13.08],
    [3000, 16.29],
  ])('tungsten at %d K has %d times its ohms at 300 K', (kelvin, ratio) => {
    expect(filamentOhms(lamp55, kelvin) / filamentOhms(lamp55, 300) / ratio).toBeGreaterThan(0.975)
    expect(filamentOhms(lamp55, kelvin) / filamentOhms(lamp55, 300) / ratio).toBeLessThan(1.025)
  })

  it('is a tenth to a sixteenth of its hot ohms when cold (common practice, no source)', () => {
    const ratio = filamentOhms(lamp55, 2800) / filamentOhms(lamp55, room)
    expect(ratio).toBeGreaterThan(10)
    expect(ratio).toBeLessThan(16)
  })

  it('settles where what it takes equals what it sheds, and at room temperature when off', () => {
    expect(filamentKelvin(lamp55, 0, room)).toBe(room)
    for (const volts of [0.01, 0.5, 3, 9, 14]) {
      const t = filamentKelvin(lamp55, volts, room) / 2800
      const ambient = (room / 2800) ** 4.181555
      const taken = volts ** 2 / filamentOhms(lamp55, 2800 * t)
      const shed = (55 * (t ** 4.181555 - ambient)) / (1 - ambient)
      expect(taken / shed).toBeCloseTo(1, 5)
    }
  })

  it('gives the slope of its own curve', () => {
    const law = filamentLaw(lamp55, room)
    for (const volts of [0.001, 0.1, 1, 6, 12, -9]) {
      const h = Math.abs(volts) * 1e-6
      const slope = (ampsAt(law, volts + h).current - ampsAt(law, volts - h).current) / (2 * h)
      expect(ampsAt(law, volts).slope / slope).toBeCloseTo(1, 5)
    }
  })

  it('draws 4.6 A at 55 W and 5 A at 60 W (common practice, no source)', () => {
    expect(ampsAt(filamentLaw(lamp55, room), 12).current).toBeCloseTo(4.6, 1)
    expect(ampsAt(filamentLaw({ ...lamp55, ratedPower: 60 }, room), 12).current).toBeCloseTo(5, 1)
  })

  it('goes from dark over dim to bright', () => {
    expect([0, 2, 4, 8, 12, 16].map((v) => brightness(v, 12).key)).toEqual([
      'dark',
      'glows',
      'dim',
      'dim',
      'bright',
      'glaring',
    ])
    expect(brightness(0.5, 12).key).toBe('dark')
  })
})

describe('battery', () => {
  it('reads 12.6 to 12.7 V full and about 12.4 V at 75 to 80 % (common practice, no source)', () => {
    expect(openCircuitVoltage(100)).toBeGreaterThan(12.6)
    expect(openCircuitVoltage(100)).toBeLessThanOrEqual(12.7)
    expect(openCircuitVoltage(78)).toBeCloseTo(12.4, 1)
  })

  // SAE J537 / EN 50342-1, from memory: 7.5 V after 10 s at −18 °C under the rated amps.
  it('holds 7.5 V in the cold-cranking test', () => {
    const volts = 12.5 - 600 * internalResistance(600, 100, -18)
    expect(volts).toBeCloseTo(7.5, 6)
  })

  it('stays above 9.6 V at half its rating and 21 °C (common practice, no source)', () => {
    expect(openCircuitVoltage(100) - 300 * internalResistance(600, 100, 21)).toBeGreaterThan(9.6)
  })
})
