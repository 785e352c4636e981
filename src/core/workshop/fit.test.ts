import { partOf } from '../model'
import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { stateKey } from '../readings'
import type { Circuit } from '../circuit'
import { demoCircuit } from '../../../test/demo'
import { buildSheet, fitBoard, gaugeOf, type Measured } from '.'
import { drawn } from '../../../test/random'

/** The real board: every joint, wire and lamp somewhere within what sound parts are. */
function realBoard(circuit: Circuit, draws: readonly number[]): Circuit {
  let n = 0
  return {
    ...circuit,
    parts: circuit.parts.map((part) => ({
      ...part,
      parameters: Object.fromEntries(
        Object.entries(part.parameters).map(([name, value]) => {
          const spread = /Ohms$/.test(name)
            ? 0.5
            : name === 'length'
              ? 0.06
              : name === 'ratedPower'
                ? 0.04
                : 0
          return [
            name,
            typeof value === 'number' ? value * Math.exp(spread * draws[n++ % draws.length]!) : value,
          ]
        }),
      ),
    })),
  }
}

function measured(real: Circuit, states: readonly string[], every = 1): Measured[] {
  return states.flatMap((id) => {
    const key = stateKey(
      real,
      [],
      real.states.find((s) => s.id === id)!,
    )
    if (!key.ok) throw new Error(tell(key.why))
    return key.points.flatMap((p, i) =>
      p.inside || p.node === 0 || p.value === undefined || i % every
        ? []
        : // A meter of 6000 counts.
          [{ state: id, red: p.name, black: 'B1−', volts: Math.round(p.value * 1000) / 1000 }],
    )
  })
}
const draws = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 30, maxLength: 30 })

describe('fitting the model to a real board', () => {
  const lamp = demoCircuit()

  it('finds it from readings: every point within what the meter may be off, also those that were not taken', () => {
    fc.assert(
      fc.property(draws, (d) => {
        const real = realBoard(lamp, d)
        const fitted = fitBoard(lamp, measured(real, ['on', 'off'], 2))
        if (!fitted.ok) throw new Error(tell(fitted.why))
        // Readings weigh by the meter: a tenth of a count may be given up for a nearer value elsewhere.
        expect(fitted.rms[1]).toBeLessThanOrEqual(fitted.rms[0] + 1e-3)
        expect(fitted.rms[1]).toBeLessThan(0.012)
        expect(fitted.residuals.some((r) => r.unexplained)).toBe(false)
        const there = stateKey(real, [], real.states[0]!)
        const ours = stateKey(fitted.circuit, [], real.states[0]!)
        if (!there.ok || !ours.ok) throw new Error('no equilibrium')
        there.points.forEach((p, i) =>
          expect(Math.abs(p.value! - ours.points[i]!.value!), p.name).toBeLessThan(0.05),
        )
      }),
      drawn(8, 2026),
    )
  })

  it('changes nothing where the board is as drawn', () => {
    const fitted = fitBoard(lamp, measured(lamp, ['on']))
    if (!fitted.ok) throw new Error(tell(fitted.why))
    for (const change of fitted.changes) expect(change.spreads).toBeLessThan(0.6)
  })

  it('names the one reading that no board of this drawing can show, and is not bent by it', () => {
    const readings = measured(lamp, ['on'])
    const slip = readings.findIndex((r) => r.red === 'X1b')
    readings[slip] = { ...readings[slip]!, volts: 10.4 }
    const fitted = fitBoard(lamp, readings)
    if (!fitted.ok) throw new Error(tell(fitted.why))
    expect(fitted.residuals.filter((r) => r.unexplained).map((r) => r.red)).toEqual(['X1b'])
  })

  it('puts a bad joint where it is, and says that no sound one is so', () => {
    const bad: Circuit = {
      ...lamp,
      parts: lamp.parts.map((p) =>
        p.id === 'X2' ? { ...p, parameters: { ...p.parameters, pinOhms: 0.2 } } : p,
      ),
    }
    const name = Object.keys(partOf(bad, 'X2').parameters).find((n) => /Ohms/.test(n))!
    const real: Circuit = {
      ...lamp,
      parts: lamp.parts.map((p) =>
        p.id === 'X2' ? { ...p, parameters: { ...p.parameters, [name]: 0.2 } } : p,
      ),
    }
    const fitted = fitBoard(lamp, measured(real, ['on']))
    if (!fitted.ok) throw new Error(tell(fitted.why))
    expect(fitted.changes[0]).toMatchObject({ part: 'X2', name })
    expect(fitted.changes[0]!.spreads).toBeGreaterThan(3)
    expect(fitted.changes[0]!.to).toBeCloseTo(0.2, 1)
  })

  it.each([
    [[], /at least one/],
    [[{ state: 'on', red: 'Q9', black: 'B1−', volts: 1 }], /no point Q9/],
    [[{ state: 'gone', red: 'F1a', black: 'B1−', volts: 1 }], /no state gone/],
  ])('refuses what it cannot place', (readings, what) => {
    const fitted = fitBoard(lamp, readings)
    expect(fitted.ok ? '' : tell(fitted.why)).toMatch(what)
  })
})

describe('the build sheet', () => {
  it('knows the nearest gauge of a section (ASTM B258: AWG 14 is 2.08 mm², 18 is 0.823 mm²)', () => {
    expect([2.08, 0.823, 3.31].map(gaugeOf)).toEqual([14, 18, 12])
  })

  it('lists every wire with both its ends, every point once, and what each state should show', () => {
    const circuit = demoCircuit('van-cooling-fan')
    const sheet = buildSheet(circuit, [])
    expect(sheet.wires.map((w) => w.id).sort()).toEqual(
      circuit.parts
        .filter((p) => p.kind === 'wire')
        .map((p) => p.id)
        .sort(),
    )
    for (const wire of sheet.wires) {
      expect(wire.from).not.toBe('–')
      expect(wire.to).not.toBe('–')
      expect(wire.cut).toBeGreaterThanOrEqual(wire.length * 1.1 - 1e-9)
      expect(wire.carries).toBeGreaterThanOrEqual(wire.amps)
    }
    expect(new Set(sheet.labels.map((l) => l.name)).size).toBe(sheet.labels.length)
    expect(sheet.plugs.find((p) => p.id === 'K1')!.pins).toHaveLength(4 + 1)
    expect(sheet.parts.flatMap((p) => p.ids)).toContain('M1')
    expect(sheet.hot[0]!.part).toBe('M1')
    expect(sheet.commissioning.length).toBeGreaterThan(40)
  })
})
