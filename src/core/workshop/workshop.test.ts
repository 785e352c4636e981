import { partOf, wireUp, walkPaths } from '../model'
import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyEdit, arrangement, emptyCircuit, readQuick, insertItems } from '../editing'
import type { Circuit, TerminalRef } from '../circuit'
import { possibleFaults, faultOfKind, type Fault } from '../faults'
import { answerKey, stateKey } from '../readings'
import { solveBoard } from '../board'
import { burns, overheats } from '../parts'
import { demoCircuit, demoNames, stateOf } from '../../../test/demo'
import {
  ampacity,
  combine,
  fuseFor,
  hardwareFor,
  heatOf,
  nearest,
  series,
  sizeFault,
  warningsOf,
  wattsFor,
} from '.'

const warnings = (circuit: Circuit, state = circuit.states[0]!) => {
  const wiring = wireUp(circuit)
  const key = stateKey(circuit, [], state)
  return warningsOf({ circuit, wiring, walks: walkPaths(circuit), key: key.ok ? key : null })
}
const typed = (line: string, circuit = emptyCircuit('t')): Circuit => {
  const read = readQuick(circuit, line)
  if (!read.ok) throw new Error(tell(read.why))
  const built = insertItems(circuit, 'main', 99, read.items)
  if (!built.ok) throw new Error(tell(built.problem))
  return built.circuit
}
const set = (circuit: Circuit, part: string, name: string, value: number): Circuit => {
  const edited = applyEdit(circuit, { type: 'setParameter', part, name, value })
  if (!edited.ok) throw new Error(tell(edited.problem))
  return edited.circuit
}

describe('rules of the workshop', () => {
  const sound = () =>
    typed('wire 2.5 0.3, fuse 15, wire 1.5 2, switch, lamp 55, wire 1.5 1, stud, chassis, strap')
  const on = (c: Circuit) => ({ ...c.states[0]!, controls: { S1: 'closed' } })

  it('find nothing wrong with a sound lamp circuit', () => {
    const c = sound()
    expect(warnings(c, on(c))).toEqual([])
  })

  it('a fuse that its body is not made for', () => {
    const c = set(sound(), 'F1', 'rating', 60)
    expect(warnings(c).map((w) => tell(w.text))).toContainEqual(
      expect.stringMatching(/^F1 has 60 A: its body/),
    )
    const maxi = applyEdit(c, { type: 'setParameter', part: 'F1', name: 'type', value: 'maxi' })
    if (!maxi.ok) throw new Error(tell(maxi.problem))
    expect(
      warnings(maxi.circuit)
        .map((w) => tell(w.text))
        .join(),
    ).not.toMatch(/its body/)
  })

  it('a wire that its fuse cannot protect', () => {
    const c = set(sound(), 'F1', 'rating', 30)
    expect(warnings(c)).toMatchObject([{ part: 'W2', weight: 'hazard' }])
    expect(tell(warnings(c)[0]!.text)).toMatch(/2\.5 mm²/)
    // What lies before the fuse, or on the return, is not what it protects.
    expect(warnings(set(sound(), 'W3', 'section', 0.5))).toEqual([])
  })

  it('a load that its fuse cannot carry', () => {
    const c = set(sound(), 'F1', 'rating', 4)
    expect(warnings(c, on(c)).map((w) => w.part)).toContain('F1')
    expect(warnings(c)).toEqual([])
  })

  it('a conductor that burns through: a short before any fuse, and none behind one', () => {
    const pump = demoCircuit('van-washer-pump')
    const short = (part: string) => {
      const faults = [{ kind: 'shortToGround', part, segment: 'copper', severity: 0.01 }] as const
      const key = answerKey(pump, faults).states[0]!
      if (!key.ok) throw new Error(tell(key.why))
      const wiring = wireUp(pump)
      return warningsOf({ circuit: pump, wiring, walks: walkPaths(pump), key })
    }
    expect(tell(short('W1')[0]!.text)).toMatch(/^W1 has burnt through: nothing protects it/)
    const gone = solveBoard(
      pump,
      [{ kind: 'shortToGround', part: 'W1', segment: 'copper', severity: 0.01 }],
      pump.states[0]!,
    )
    if (!gone.ok) throw new Error(tell(gone.why))
    // No hundreds of amps for ever: the wire is open, and the battery rests.
    expect([...gone.blown]).toEqual(['W1'])
    expect(Math.abs(gone.amps('B1', 'cells'))).toBeLessThan(0.01)
    expect(short('W2').filter(({ part }) => part.startsWith('W'))).toEqual([])
  })

  it('a conductor heats by I²t: 1.5 mm² at 100 A smokes after 115² · 1.5² / 100² = 3.0 s (IEC 60364-5-54, from memory)', () => {
    const heat = overheats(1.5, 100)!
    expect(heat.smokes).toBeCloseTo(2.98, 2)
    expect(heat.melts).toBeGreaterThan(5 * heat.smokes)
    expect(overheats(35, 220)).toBeUndefined()
    // 290² · 1.5² / 10 s: 138 A.
    expect([burns(1.5, 137), burns(1.5, 139)]).toEqual([false, true])
    expect(overheats(1.5, 0)).toBeUndefined()
  })

  it('a path that has no load yet', () => {
    expect(warnings(typed('wire 1 1, fuse 10, wire 1 1'))[0]).toMatchObject({ weight: 'hazard' })
    expect(warnings(emptyCircuit('e'))).toEqual([])
  })

  it('a long feed without a fuse', () => {
    expect(warnings(typed('wire 1.5 3, switch, lamp 21, wire 1.5 1'))[0]).toMatchObject({
      part: 'W1',
      weight: 'hint',
    })
  })

  it('a load that has no return', () => {
    const c = sound()
    const loose: Circuit = {
      ...c,
      parts: [
        ...c.parts,
        { id: 'L9', kind: 'lamp', name: '', parameters: c.parts.find((p) => p.kind === 'lamp')!.parameters },
      ],
      paths: [...c.paths, { id: 'p2', name: '', from: 'F1.b', to: 'L9.a', steps: [{ part: 'L9' }] }],
    }
    const edited = applyEdit(
      c,
      arrangement(
        {
          ...loose,
          paths: [
            ...c.paths,
            { id: 'p2', name: '', from: 'F1.b', to: 'X9.b', steps: [{ part: 'L9' }, { part: 'X9' }] },
          ],
          parts: [...loose.parts, { id: 'X9', kind: 'connector', name: '', parameters: {} }],
        },
        'loose',
      ),
    )
    if (!edited.ok) throw new Error(tell(edited.problem))
    expect(
      warnings(edited.circuit)
        .map((w) => tell(w.text))
        .join(),
    ).toMatch(/L9 has no return/)
  })

  it('a resistor over its watts, and a jumper that leads round the fuse', () => {
    const c = set(
      typed('wire 2.5 0.3, fuse 15, wire 1.5 2, switch, resistor 2 5 W, lamp 55, wire 1.5 1'),
      'R1',
      'ratedPower',
      5,
    )
    expect(warnings(c, on(c)).map((w) => w.part)).toContain('R1')
    const jumped = { ...on(sound()), bypassed: [['W1.a', 'W2.b'] as [TerminalRef, TerminalRef]] }
    expect(
      warnings(sound(), jumped)
        .map((w) => tell(w.text))
        .join(),
    ).toMatch(/round F1/)
  })

  it.each(demoNames)('are kept by %s: nothing that burns', { tags: ['sweep'] }, (name) => {
    const circuit = demoCircuit(name)
    for (const state of circuit.states)
      expect(
        // A lesson may bridge a feed on purpose; the caution then stands.
        warnings(circuit, state).filter(
          (w) => w.weight === 'hazard' && w.text.code !== 'workshop.jumperRound',
        ),
      ).toEqual([])
  })
})

describe('wire and fuse', () => {
  it('thicker wire carries more, at every section', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 120, noNaN: true }),
        fc.double({ min: 1.01, max: 2, noNaN: true }),
        (s, f) => {
          expect(ampacity(s * f)).toBeGreaterThan(ampacity(s))
        },
      ),
    )
    expect(ampacity(1.5)).toBeCloseTo(20, 9)
    expect(ampacity(95)).toBeCloseTo(400, 9)
  })

  it('a fuse leaves a quarter above the running amps, and says when the wire is too thin for it', () => {
    expect(fuseFor(4.6, 1.5)).toEqual({ rating: 7.5, fits: true })
    expect(fuseFor(16, 1)).toEqual({ rating: 20, fits: false })
  })
})

describe('resistors that are sold (IEC 60063)', () => {
  it('have 12 and 24 values a decade, a tenth and a twentieth apart', () => {
    expect([series.E12.length, series.E24.length]).toEqual([12, 24])
    for (const [name, step] of [
      ['E12', 10 ** (1 / 12)],
      ['E24', 10 ** (1 / 24)],
    ] as const)
      series[name].forEach((v, i) => expect(Math.abs(v / (10 * step ** i) - 1)).toBeLessThan(0.06))
  })

  it('one is never further off than half a step, two come closer or are not taken', () => {
    fc.assert(
      fc.property(fc.double({ min: Math.log(0.1), max: Math.log(5e4), noNaN: true }), (ln) => {
        const ohms = Math.exp(ln)
        const one = nearest(ohms, 'E24')
        const two = combine(ohms, 'E24')
        expect(Math.abs(one.total / ohms - 1)).toBeLessThan(0.07)
        expect(Math.abs(two.total / ohms - 1)).toBeLessThanOrEqual(Math.abs(one.total / ohms - 1) + 0.003)
        if (two.how === 'series') expect(two.ohms[0]! + two.ohms[1]!).toBeCloseTo(two.total, 9)
        if (two.how === 'parallel') expect(1 / two.ohms[0]! + 1 / two.ohms[1]!).toBeCloseTo(1 / two.total, 9)
      }),
    )
  })

  it('run at half their watts or less, and may stay on the shorter the hotter they get', () => {
    expect(wattsFor(4.9)).toBe(10)
    expect(wattsFor(400)).toBeUndefined()
    expect(heatOf(5, 10).stay).toBe(Infinity)
    expect(heatOf(50, 10).stay).toBeCloseTo(5)
    expect(heatOf(5, 10).surface).toBeGreaterThan(heatOf(2, 10).surface)
  })
})

describe('sizing a fault by its effect', () => {
  const lamp = demoCircuit()
  const on = stateOf(lamp, 'on')
  const joint: Fault = { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 1 }

  it('loses three volts in the return when it is asked to', () => {
    const sized = sizeFault(lamp, joint, on, { type: 'loss', path: 0, side: 'return', volts: 3 })
    if (!sized.ok) throw new Error(tell(sized.why))
    const key = stateKey(lamp, [{ ...joint, severity: sized.severity }], on)
    if (!key.ok) throw new Error(tell(key.why))
    expect(key.balances[0]!.returnLoss.value).toBeCloseTo(3, 3)
  })

  it('makes the lamp dim, in the middle of the stretch in which it is', () => {
    const sized = sizeFault(lamp, joint, on, { type: 'notice', part: 'L1', key: 'dim' })
    if (!sized.ok) throw new Error(tell(sized.why))
    const shows = (severity: number) => {
      const key = stateKey(lamp, [{ ...joint, severity }], on)
      return key.ok && key.notices.find((n) => n.part === 'L1')!.key
    }
    expect(shows(sized.severity)).toBe('dim')
    expect(shows(sized.least * 0.9)).toBe('bright')
    expect(shows(sized.most * 1.1)).not.toBe('dim')
  })

  it('passes continuity and fails under load', () => {
    const strands: Fault = { kind: 'corroded', part: 'X1', segment: 'pin', severity: 1 }
    const sized = sizeFault(
      lamp,
      {
        ...strands,
        segment: possibleFaults(lamp).find((f) => f.part === 'X1' && f.kind === 'corroded')!.segment,
      },
      on,
      { type: 'lazy', path: 0, limits: 'wire-0.2' },
    )
    expect(sized.ok).toBe(true)
  })

  it('lets an engine crank, but slowly', () => {
    const starting = demoCircuit('van-starting')
    const cable = possibleFaults(starting).find(
      (f) => f.kind === 'highResistance' && f.segment === 'clampMinus',
    )!
    const sized = sizeFault(starting, cable, stateOf(starting, 'crank'), {
      type: 'notice',
      part: 'MS1',
      key: 'slow',
    })
    if (!sized.ok) throw new Error(tell(sized.why))
    expect(sized.severity).toBeLessThan(0.2)
  })

  it('says so when no size does it', () => {
    const sized = sizeFault(lamp, joint, on, { type: 'loss', path: 0, side: 'return', volts: 40 })
    expect(sized.ok ? '' : tell(sized.why)).toMatch(/out of its reach/)
    const blown = sizeFault(lamp, { kind: 'open', part: 'W1', segment: 'copper' }, on, {
      type: 'notice',
      part: 'L1',
      key: 'dim',
    })
    expect(blown.ok ? '' : tell(blown.why)).toMatch(/has no size/)
  })
})

describe('hardware for a fault', () => {
  it('names values, watts in the hottest state and the fuse, and its figures agree with Ohm and Joule', () => {
    const lamp = demoCircuit()
    const made = hardwareFor(lamp, { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 1 })
    const { resistor } = made
    expect(resistor!.single.ohms).toEqual([1])
    expect(resistor!.hottest).toBe('Switch closed')
    const key = stateKey(
      lamp,
      [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 1 }],
      stateOf(lamp, 'on'),
    )
    if (!key.ok) throw new Error(tell(key.why))
    expect(resistor!.watts).toBeCloseTo(key.balances[0]!.amps ** 2, 1)
    expect(resistor!.rating).toBeGreaterThanOrEqual(2 * resistor!.watts)
    expect(resistor!.heat!.burns).toBe(true)
    expect(made.fuse).toMatchObject({ fits: true })
  })

  it.each(demoNames)('has an answer for every fault of %s', { tags: ['sweep'] }, (name) => {
    const circuit = demoCircuit(name)
    const seen = new Set<string>()
    for (const fault of possibleFaults(circuit)) {
      const what = `${partOf(circuit, fault.part).kind}.${fault.kind}`
      if (seen.has(what)) continue
      seen.add(what)
      const made = hardwareFor(circuit, fault)
      expect(made.built).toBe(faultOfKind(fault.kind).built)
      if (made.resistor) expect(made.resistor.watts).toBeGreaterThanOrEqual(0)
      expect(JSON.stringify(made)).not.toContain('null,"heat"')
    }
  })
})
