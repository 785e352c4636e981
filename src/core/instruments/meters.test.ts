import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { problemsOf } from '../document'
import { demoCircuit } from '../../../test/demo'
import { answerKey } from '../readings'
import { leafletOf, leafletSchema, meterOf, meterOfLeaflet, meters, workshopMeter, type Leaflet } from '.'
import { drawn } from '../../../test/random'

const leaflet = (change: Partial<Leaflet>): Leaflet => ({ ...leafletOf(workshopMeter), ...change })
const bandAt = (change: Partial<Leaflet>, name: string, which = 'sweeper-work-lamp') => {
  const state = answerKey(demoCircuit(which), [], meterOfLeaflet(leaflet(change))).states[0]!
  if (!state.ok) throw new Error(tell(state.why))
  return state.points.find((p) => p.name === name)!
}

describe('a meter by its leaflet', () => {
  it.each(meters)('$title says the same of itself as it does', ({ id, meter }) => {
    const said = leafletOf(meter)
    expect(leafletSchema.parse(said)).toEqual(said)
    expect(leafletOf(meterOfLeaflet(said))).toEqual(said)
    expect(meterOf(id)).toBe(meter)
  })

  it.each([
    [{ counts: 500 }, /Counts must lie between 1000 and 1000000/],
    [{ counts: 6000.5 }, /whole number/],
    [{ voltsPercent: -1 }, /Accuracy of volts/],
    [{ inputOhms: 10 }, /Input resistance must lie between 10000 and/],
    [{ ohmsDigits: Number.NaN }, /Digits of ohms/],
    [{ leadOhms: 9 }, /Leads must lie between 0 and 5 Ω/],
  ] as const)('%j is refused with what would be accepted', (change, what) => {
    const read = leafletSchema.safeParse(leaflet(change))
    expect(read.success ? '' : tell(problemsOf(read.error)[0]!)).toMatch(what)
  })

  it('of more counts and better accuracy has a narrower band, of fewer a wider', () => {
    const plain = bandAt({}, 'L1a').band
    expect(bandAt({ voltsPercent: 2 }, 'L1a').band).toBeGreaterThan(plain)
    expect(bandAt({ voltsDigits: 20 }, 'L1a').band).toBeGreaterThan(plain)
    expect(bandAt({ counts: 60000, voltsPercent: 0.05 }, 'L1a').band).toBeLessThan(plain)
  })

  it('grows its band by just its own percent and digits', () => {
    const { value, band: narrow } = bandAt({ voltsPercent: 0, voltsDigits: 0 }, 'L1a')
    const wide = bandAt({ voltsPercent: 1, voltsDigits: 3 }, 'L1a').band
    // 12.3 V stands on the 60 V range of 6000 counts: a digit is 10 mV.
    const own = 0.01 * value! + 3 * 0.01
    expect(wide).toBeLessThanOrEqual(narrow + own + 1e-9)
    expect(wide).toBeGreaterThan(own)
  })

  it('of small input resistance pulls down what little holds, and a good one does not', () => {
    const sensor = 'gritter-salt-sensor'
    const circuit = demoCircuit(sensor)
    const shown = (inputOhms: number) =>
      answerKey(circuit, [], meterOfLeaflet(leaflet({ inputOhms }))).states.flatMap((s) =>
        s.ok ? s.points.map((p) => p.value ?? 0) : [],
      )
    const [poor, good] = [shown(1e4), shown(1e9)]
    const pulled = poor.map((v, i) => good[i]! - v)
    expect(Math.max(...pulled)).toBeGreaterThan(0.2)
    // Every point hangs between plus and the meter: none rises.
    expect(Math.min(...pulled)).toBeGreaterThan(-1e-3)
  })

  it('any that is let in gives every state of a board a key', () => {
    const some = fc.record({
      counts: fc.integer({ min: 1000, max: 1_000_000 }),
      voltsPercent: fc.double({ min: 0, max: 5, noNaN: true }),
      voltsDigits: fc.integer({ min: 0, max: 50 }),
      inputOhms: fc.double({ min: 1e4, max: 1e9, noNaN: true }),
      ohmsPercent: fc.double({ min: 0, max: 10, noNaN: true }),
      ohmsDigits: fc.integer({ min: 0, max: 50 }),
      leadOhms: fc.double({ min: 0, max: 5, noNaN: true }),
    })
    fc.assert(
      fc.property(some, (one) => {
        expect(leafletSchema.parse(one)).toEqual(one)
        const key = answerKey(demoCircuit(), [], meterOfLeaflet(one))
        for (const state of key.states) {
          if (!state.ok) throw new Error(tell(state.why))
          for (const { band } of state.points) expect(band).toBeGreaterThanOrEqual(0)
        }
      }),
      drawn(40, 11),
    )
  })
})
