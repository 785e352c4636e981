import { partOf } from '../model'
import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { noticeAll, solveBoard } from '../board'
import { changePins, readCircuit } from '../editing'
import { type Circuit, type CircuitState } from '../circuit'
import type { Fault } from '../faults'
import { stateKey } from '../readings'
import { demoCircuit, stateOf } from '../../../test/demo'
import { readCondition } from './logic'
import { limitedSourceLaw } from './limited-source'
import { isPartKind, kindOfPins, pinsOf, type Pins } from '.'
import { thermistorOhms } from './sensor'

function scan(circuit: Circuit, state: string | CircuitState, faults: readonly Fault[] = []) {
  const key = stateKey(circuit, faults, typeof state === 'string' ? stateOf(circuit, state) : state)
  if (!key.ok) throw new Error(tell(key.why))
  return {
    key,
    of: (name: string) => {
      const row = key.scans[0]!.rows.find((r) => tell(r.name) === name)
      return row && tell(row.value).replace(/\u00a0/g, ' ')
    },
  }
}

describe('a condition', () => {
  const names = new Map([
    ['i1', 'switched'],
    ['i2', 'switched'],
    ['s1', 'volts'],
  ] as const)
  const holds = (text: string, facts: Record<string, boolean | number>) => {
    const read = readCondition(text, names)
    if (!read.ok) throw new Error(tell(read.why))
    return read.condition(facts)
  }

  it.each([
    ['i1 and not i2', { i1: true, i2: false }, true],
    ['i1 and not i2', { i1: true, i2: true }, false],
    ['i1 or i2 and s1 > 2.5', { i1: true, i2: false, s1: 0 }, true],
    ['(i1 or i2) and s1 < 2.5', { i1: true, i2: false, s1: 3 }, false],
    ['', {}, false],
  ])('%s with %j is %s', (text, facts, value) => expect(holds(text, facts)).toBe(value))

  it.each([
    ['i1 and', /an input expected|one of i1/],
    ['i1 i2', /“and” or “or” expected at “i2”/],
    ['i9', /one of i1, i2, s1 expected at “i9”/],
    ['s1', /> or < expected at the end/],
    ['s1 > x', /a number of volts expected/],
    ['(i1', /a closing bracket expected/],
  ])('%s is refused with what was expected', (text, message) => {
    const read = readCondition(text, names)
    expect(read.ok ? '' : tell(read.why)).toMatch(message)
  })
})

describe('a module', () => {
  const brush = demoCircuit('sweeper-brush-relay')

  it('drives its outputs by its inputs, and says so to a scan tool', () => {
    expect(scan(brush, 'brush').of('Low side 1, commanded')).toBe('on')
    expect(scan(brush, 'run').of('Low side 1, commanded')).toBe('off')
    const locked = scan(brush, 'locked')
    expect(locked.of('Input 2')).toBe('active')
    expect(locked.of('Low side 1, commanded')).toBe('off')
    expect(locked.key.notices.find((n) => n.part === 'D1')?.key).toBe('bright')
  })

  it('commands an output that is dead, and does not see an input that is cut: the two differ on the scan tool', () => {
    const dead = scan(brush, 'brush', [{ kind: 'outputDead', part: 'N1', segment: 'low1' }])
    expect(dead.of('Low side 1, commanded')).toBe('on')
    expect(dead.key.notices.find((n) => n.part === 'K1')?.key).toBe('silent')
    const blind = scan(brush, 'brush', [{ kind: 'inputNotSeen', part: 'N1', segment: 'in1' }])
    expect(blind.of('Input 1')).toBe('inactive')
    expect(blind.of('Low side 1, commanded')).toBe('off')
  })

  it('says nothing without its supply, and runs on either of two grounds', () => {
    const powers = demoCircuit('sweeper-module-powers')
    expect(scan(powers, 'run', [{ kind: 'open', part: 'X1', segment: 'pin' }]).of('Communication')).toBe(
      'none',
    )
    for (const ground of ['X2', 'X4'])
      expect(scan(powers, 'sweep', [{ kind: 'open', part: ground, segment: 'pin' }]).of('Ignition')).toBe(
        'on',
      )
  })

  it('falls asleep in steps, and not at all where it is held awake', () => {
    const drain = demoCircuit('van-key-off-drain')
    const amps = (state: string, faults: readonly Fault[] = []) => {
      const key = stateKey(drain, faults, stateOf(drain, state))
      if (!key.ok) throw new Error(tell(key.why))
      return key.places[0]!.amps
    }
    expect(amps('just-off')).toBeGreaterThan(2)
    expect(amps('minute')).toBeGreaterThan(0.3)
    expect(amps('minute')).toBeLessThan(0.7)
    expect(amps('asleep')).toBeLessThan(0.02)
    expect(amps('asleep', [{ kind: 'notSleeping', part: 'N2', segment: 'supply' }])).toBeGreaterThan(0.6)
  })
})

describe('sensors on 5 V', () => {
  const gate = demoCircuit('gritter-salt-sensor')

  it('divide as arithmetic says', () => {
    // 45 % of 5 V, less what the signal's 220 kΩ takes through track and wiper.
    expect(scan(gate, 'run').of('Signal 1')).toMatch(/^2\.2\d V$/)
    const thermistor = thermistorOhms(2200, 3500, 3)
    const expected = (5 * thermistor) / (thermistor + 2200)
    expect(Number(scan(gate, 'run').of('Signal 2')!.split(' ')[0])).toBeCloseTo(expected, 1)
  })

  it('tell an open low reference from an open supply: both signals up, or one down', () => {
    const low = scan(gate, 'run', [{ kind: 'open', part: 'X2', segment: 'pin' }])
    expect(Number(low.of('Signal 1')!.split(' ')[0])).toBeGreaterThan(4.8)
    const high = scan(gate, 'run', [{ kind: 'open', part: 'X1', segment: 'pin' }])
    expect(high.of('Signal 1')).toMatch(/^0 V|mV$/)
  })

  it('give way together when their 5 V supply is shorted', () => {
    const shorted = scan(gate, 'run', [
      { kind: 'shortToGround', part: 'W5', segment: 'copper', severity: 0.5 },
    ])
    expect(shorted.of('5 V supply')).toMatch(/mV$/)
  })

  it('come from a source that never gives more than its limit and takes nothing back', () => {
    const law = limitedSourceLaw(5, 0.2, 0.1)
    const out = { current: 0, slope: 0 }
    let last = -Infinity
    for (let v = -2; v < 8; v += 0.01) {
      law.at(v, out)
      expect(out.current).toBeGreaterThanOrEqual(last)
      expect(out.current).toBeGreaterThanOrEqual(-0.1001)
      expect(out.current).toBeLessThan(1e-6)
      last = out.current
    }
  })
})

describe('charging', () => {
  it('reproduces a feed with 1 Ω in it, and the bypass that proves it (common practice, no source)', () => {
    const van = demoCircuit('van-charging')
    const fault: Fault = { kind: 'highResistance', part: 'W1', segment: 'copper', severity: 1 }
    const read = (state: string) => {
      const key = stateKey(van, [fault], stateOf(van, state))
      if (!key.ok) throw new Error(tell(key.why))
      const at = (name: string) => key.points.find((p) => p.name === name)!.value!
      const output = key.balances.find((b) => b.path === 'output')!
      return { generator: at('GA1.B+') - at('GA1.B−'), battery: at('B1+'), feed: output.feedLoss.value! }
    }
    const bad = read('loaded')
    expect(bad.generator).toBeGreaterThan(14.2)
    expect(bad.feed).toBeGreaterThan(2)
    expect(bad.battery).toBeLessThan(12.5)
    expect(read('bypass').battery).toBeGreaterThan(13.7)
  })

  it('begins only once the charge lamp has excited it, and puts the lamp out', () => {
    const van = demoCircuit('van-charging')
    const seen = (state: string, faults: readonly Fault[] = []) => {
      const solved = solveBoard(van, faults, stateOf(van, state))
      if (!solved.ok) throw new Error(tell(solved.why))
      return Object.fromEntries(noticeAll(solved).map((n) => [n.part, n.key]))
    }
    expect(seen('run').L1).not.toBe('dark')
    expect(seen('running')).toMatchObject({ L1: 'dark', GA1: 'charges' })
    expect(seen('running', [{ kind: 'burntOut', part: 'L1', segment: 'filament' }]).GA1).not.toBe('charges')
  })
})

describe('pins of a module', () => {
  const brush = demoCircuit('sweeper-brush-relay')
  const id = brush.parts.find(({ kind }) => kind === 'module')!.id
  const now = pinsOf('module')!
  const changed = (pins: Partial<Pins>, circuit = brush) => changePins(circuit, id, { ...now, ...pins })
  const kindIn = (circuit: Circuit) => partOf(circuit, id).kind

  it('may be any number, and everything it does with those that are wired stays as it was', () => {
    const more = changed({ supplies: 30, grounds: 7, inputs: 60, lows: 40, highs: 33, signals: 20 })
    if (!more.ok) throw new Error(tell(more.problem))
    expect(kindIn(more.circuit)).toBe('module-30-1-7-60-40-33-20')
    for (const state of brush.states)
      for (const of of ['Low side 1, commanded', 'Supply'])
        expect(scan(more.circuit, state).of(of)).toBe(scan(brush, state).of(of))
    const again = readCircuit(JSON.parse(JSON.stringify(more.circuit)))
    expect(again.ok).toBe(true)
    // And back again, to the very circuit it was.
    expect(changed({}, more.circuit)).toMatchObject({ ok: true, circuit: brush })
  })

  it.each([0, 1, 2])('may be as few as %s signals: every state still has an answer', (signals) => {
    const few = changed({ signals })
    if (!few.ok) throw new Error(tell(few.problem))
    for (const signalPull of ['not', 'to5V']) {
      const parts = few.circuit.parts.map((part) =>
        part.id === id ? { ...part, parameters: { ...part.parameters, signalPull } } : part,
      )
      const circuit = { ...few.circuit, parts }
      for (const state of circuit.states) expect(solveBoard(circuit, [], state).ok, state.name).toBe(true)
    }
  })

  it('are not taken away while something is wired to them, or switched by them', () => {
    const fewer = changed({ lows: 0 })
    expect(fewer.ok ? '' : tell(fewer.problem)).toMatch(/still needs low-side output 1/)
    const bare = { ...brush, paths: brush.paths.filter(({ steps }) => !steps.some((s) => s.enter === 'i1')) }
    const unnamed = changed({ inputs: 0 }, bare)
    expect(unnamed.ok ? '' : tell(unnamed.problem)).toMatch(/input/)
    const few = changed({ grounds: 0 })
    expect(few.ok ? '' : tell(few.problem)).toMatch(/Grounds: 1 to 99/)
    const half = changed({ inputs: 4.5 })
    expect(half.ok).toBe(false)
  })

  it('name a kind that is read as it is written, and nothing else is', () => {
    expect(kindOfPins({ ...now })).toBe('module')
    expect(pinsOf(kindOfPins({ ...now, inputs: 5 }))).toEqual({ ...now, inputs: 5 })
    for (const kind of [
      'module-1-1-2-4-2-2',
      'module-0-1-2-4-2-2-2',
      'module-1-1-2-4-2-2-2',
      'module-01-1-2-5-2-2-2',
    ])
      expect(isPartKind(kind)).toBe(false)
  })
})
