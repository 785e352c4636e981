import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  catalogue,
  checkFault,
  describeFault,
  faultOfKind,
  possibleFaults,
  readFaultSpec,
  severityOf,
  type Fault,
} from '.'
import { corrodedLaw } from './corrosion'
import { demoCircuit, demoNames } from '../../../test/demo'

const circuit = demoCircuit()

describe('the catalogue', () => {
  it('says of each fault how it is made, and cautions where it makes heat', () => {
    for (const fault of catalogue) {
      expect(tell(fault.built).length, fault.kind).toBeGreaterThan(15)
      expect(
        tell(
          fault.describe(severityOf({ kind: fault.kind, part: '', segment: '' }), {
            section: undefined,
            cold: 0,
          }),
        ),
      ).not.toBe('')
    }
    for (const kind of [
      'highResistance',
      'corroded',
      'shortToGround',
      'shortToSupply',
      'seized',
      'shortedTurns',
    ] as const) {
      expect(faultOfKind(kind).caution, kind).toBeDefined()
    }
  })

  it.each(demoNames)('fits %s wherever it says it does', (name) => {
    const own = demoCircuit(name)
    const faults = possibleFaults(own)
    expect(faults.length).toBeGreaterThan(20)
    for (const fault of faults) {
      expect(checkFault(own, fault)).toBeUndefined()
      expect(tell(describeFault(own, fault))).toMatch(new RegExp(`^${fault.part} `))
    }
    expect(new Set(faults.map((f) => `${f.kind} ${f.part} ${f.segment} ${f.other ?? ''}`)).size).toBe(
      faults.length,
    )
  })
})

describe('a fault that does not fit', () => {
  it.each<[Fault, RegExp]>([
    [{ kind: 'open', part: 'Z1', segment: 'pin' }, /There is no part Z1/],
    [{ kind: 'open', part: 'X1', segment: 'tail' }, /X1 has no “tail”: it has pin/],
    [{ kind: 'blown', part: 'X1', segment: 'pin' }, /cannot strike its pin/],
    [
      { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1e9 },
      /Resistance must lie between 0\.01 and 10000 Ω/,
    ],
    [{ kind: 'corroded', part: 'X1', segment: 'pin', severity: Number.NaN }, /must lie between/],
  ])('%j is refused with a reason', (fault, reason) =>
    expect(tell(checkFault(circuit, fault)!)).toMatch(reason),
  )
})

describe('a fault in one line', () => {
  it('reads back whatever can be planted', () => {
    for (const fault of possibleFaults(circuit)) {
      const severity = fault.severity === undefined ? '' : `:${fault.severity}`
      const other = fault.other === undefined ? '' : `&${fault.other}`
      expect(
        readFaultSpec(circuit, `${fault.part}.${fault.segment}=${fault.kind}${severity}${other}`),
      ).toEqual({
        ok: true,
        fault,
      })
    }
  })

  it('takes values as the trade writes them, and the default where none is given', () => {
    expect(readFaultSpec(circuit, 'x1=highResistance:4k7')).toMatchObject({
      ok: true,
      fault: { part: 'X1', segment: 'pin', severity: 4700 },
    })
    expect(readFaultSpec(circuit, 'X1=corroded')).toMatchObject({ ok: true, fault: { severity: 2 } })
  })

  it('never crashes, and always says what it would have taken', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const read = readFaultSpec(circuit, text)
        if (!read.ok) expect(tell(read.why).length).toBeGreaterThan(20)
      }),
    )
    expect(readFaultSpec(circuit, 'L1=burntOut:3')).toMatchObject({
      ok: false,
      why: { params: { why: { code: 'faults.noSeverity' } } },
    })
    expect(readFaultSpec(circuit, 'W1=blown')).toMatchObject({
      ok: false,
      why: { params: { why: { code: 'faults.cannotFail' } } },
    })
  })
})

describe('corrosion', () => {
  const amps = (law: ReturnType<typeof corrodedLaw>, v: number) => {
    const out = { current: 0, slope: 0 }
    law.at(v, out)
    return out
  }

  it('is Ohm’s law at a milliamp and never passes more than its limit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        fc.double({ min: 0.05, max: 50, noNaN: true }),
        (ohms, limit) => {
          const law = corrodedLaw(ohms, limit)
          const small = 1e-4 * limit * ohms
          expect(amps(law, small).current / (small / ohms)).toBeCloseTo(1, 6)
          expect(amps(law, 1e4 * limit * ohms).current).toBeLessThan(limit)
          expect(amps(law, -3).current).toBeCloseTo(-amps(law, 3).current, 12)
        },
      ),
    )
  })

  it('follows v = R₀·i / (1 − (i/I)²), with the slope of its own curve', () => {
    const law = corrodedLaw(0.5, 3)
    for (const v of [0.01, 0.4, 2, 7, 24]) {
      const { current, slope } = amps(law, v)
      expect((0.5 * current) / (1 - (current / 3) ** 2)).toBeCloseTo(v, 9)
      expect(slope).toBeCloseTo((amps(law, v + 1e-6).current - amps(law, v - 1e-6).current) / 2e-6, 6)
    }
  })
})
