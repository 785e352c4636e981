import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { Attempt } from '../../../test/attempt'
import type { Fault } from '../faults'
import type { Held } from '../instruments'
import { tell } from '../words'
import {
  asSeen,
  defaultFrame,
  benchAfter,
  faultsLeft,
  frameDoor,
  minutesToReach,
  perform,
  plantedDoor,
  startBench,
  stepDoor,
  type Action,
  type Arrangement,
  type Order,
  type Step,
} from '.'

const lamp = demoCircuit()
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const off: Arrangement = { controls: { S1: 'open' }, detached: [] }
const begin = (planted: readonly Fault[] = [], circuit = lamp, usual = on) =>
  new Attempt(circuit, planted, usual)
const seenBy = (attempt: Attempt, arrangement = on) => {
  const step = attempt.act({ type: 'operate', arrangement })
  if (step.type !== 'operate') throw new Error('nothing seen')
  return step.seen
}

describe('the bench that steps leave', () => {
  it('is the fold of its steps, whichever way it is come by', () => {
    const attempt = begin([{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }])
    attempt.operate().test('L1a', 'B1-', 12.3, ['F1']).test('X2a', 'X2b', 0.01, ['F1', 'W1'])
    attempt.act({ type: 'repair', piece: 'X2', by: 'terminal' })
    expect(benchAfter(attempt.order, attempt.steps)).toEqual(attempt.bench)
    expect(JSON.parse(JSON.stringify(attempt.bench))).toEqual(attempt.bench)
  })

  it('remembers the fuse that a fault has blown, and that a new one blows again while the fault is there', () => {
    const short: Fault = { kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.01 }
    const attempt = begin([short])
    expect(attempt.bench.blown).toEqual(['F1'])
    attempt.act({ type: 'renew', fuse: 'F1' })
    expect(attempt.bench).toMatchObject({ blown: [], renewed: ['F1'] })
    attempt.operate()
    expect(attempt.bench).toMatchObject({ blown: ['F1'], spent: ['F1'] })
    attempt.act({ type: 'repair', piece: 'W4', by: 'replace' })
    attempt.act({ type: 'renew', fuse: 'F1' })
    expect(seenBy(attempt).L1).toBe('bright')
    expect(attempt.bench.blown).toEqual([])
  })

  it('keeps a fuse blown that the student’s own jumper blew, and says that no fault did it', () => {
    const attempt = begin()
    attempt.measure({ type: 'leads', red: 'L1a', black: 'G1c' }, 0, {
      instrument: 'jumper',
      settings: { fuse: '30' },
    })
    expect(attempt.bench).toMatchObject({ blown: ['F1'], spent: ['F1'] })
    expect(seenBy(attempt).L1).toBe('dark')
    attempt.act({ type: 'renew', fuse: 'F1' })
    expect(seenBy(attempt).L1).toBe('bright')
    expect(attempt.bench.spent).toEqual([])
  })

  it('knows that the meter’s own fuse is gone, until it is renewed', () => {
    const attempt = begin()
    const across = { type: 'leads', red: 'B1+', black: 'B1-' } as const
    attempt.measure(across, 12.6, { instrument: 'volts', settings: { jack: 'amps' } })
    expect(attempt.bench.meterFuses).toEqual(['A'])
    const dead = attempt.measure({ type: 'series', part: 'F1' }, 4.6, {
      instrument: 'amps',
      arrangement: { ...on, detached: ['F1'] },
    })
    expect(dead.reading).toMatchObject({ value: 0, signs: [{ code: 'instruments.meterFuseGone' }] })
    attempt.act({ type: 'renew', fuse: 'A' })
    expect(attempt.bench).toMatchObject({ meterFuses: [], meterRenewed: 1 })
    const live = attempt.measure({ type: 'series', part: 'F1' }, 4.6, {
      instrument: 'amps',
      arrangement: { ...on, detached: ['F1'] },
    })
    expect(live.reading.unit).toBe('A')
    expect(live.reading.value).toBeGreaterThan(4)
  })

  it('has a slack terminal behave once it was taken apart and put together, by hand or as a repair', () => {
    const slack: Fault = { kind: 'slack', part: 'X1', segment: 'pin' }
    const left = (attempt: Attempt) => faultsLeft(lamp, [slack], attempt.bench)
    const unplugged = begin([slack])
    expect(left(unplugged)).toEqual([slack])
    unplugged.operate({ ...on, detached: ['X1'] })
    expect(left(unplugged)).toEqual([slack])
    unplugged.operate(on)
    expect(left(unplugged)).toEqual([])
    const reseated = begin([slack])
    const step = reseated.act({ type: 'repair', piece: 'X1', by: 'reseat' })
    // It only hides: nothing was cured.
    expect(step).toMatchObject({ did: { cured: false } })
    expect(left(reseated)).toEqual([])
    const other = begin([{ kind: 'corroded', part: 'X1', segment: 'pin', severity: 1 }])
    other.act({ type: 'repair', piece: 'X1', by: 'reseat' })
    expect(faultsLeft(lamp, other.order.planted, other.bench)).toHaveLength(1)
  })

  it('has a renewed fuse take the fault of the old one with it, and not that of its holder', () => {
    for (const kind of ['blown', 'missingFuse', 'wrongFuse'] as const) {
      const attempt = begin([{ kind, part: 'F1', segment: 'link' }])
      attempt.act({ type: 'renew', fuse: 'F1' })
      expect(faultsLeft(lamp, attempt.order.planted, attempt.bench), kind).toEqual([])
    }
    const holder = begin([{ kind: 'corroded', part: 'F1', segment: 'clipIn', severity: 1 }])
    holder.act({ type: 'renew', fuse: 'F1' })
    expect(faultsLeft(lamp, holder.order.planted, holder.bench)).toHaveLength(1)
  })

  it('counts parts that went in, good ones too, and minutes: the first way to a part is long, the next is not', () => {
    const attempt = begin()
    const minutes = () => attempt.bench.minutes
    const spent = (work: () => unknown) => {
      const before = minutes()
      work()
      return minutes() - before
    }
    const first = spent(() => attempt.test('X1a', 'X1b', 0.01, []))
    const second = spent(() => attempt.test('X1a', 'X1b', 0.01, []))
    expect(first).toBeGreaterThan(second)
    expect(spent(() => attempt.act({ type: 'repair', piece: 'L1', by: 'replace' }))).toBeGreaterThan(5)
    expect(attempt.bench.replaced).toBe(1)
    expect(minutesToReach.under).toBeGreaterThan(minutesToReach.hand)
  })

  it('lets a relay that latched stay so', () => {
    const relay = demoCircuit('sweeper-brush-relay')
    const states = relay.states.map(({ controls, detached }) => ({ controls, detached }))
    const attempt = begin([], relay, states[0])
    for (const arrangement of states) attempt.operate(arrangement)
    expect(benchAfter(attempt.order, attempt.steps).latched).toEqual(attempt.bench.latched)
  })
})

describe('two instruments at once', () => {
  it('a clamp reads what a load lamp in the fuse’s place lets through', () => {
    const attempt = begin()
    const arrangement = { ...on, detached: ['F1'] }
    const clamp: Held = { type: 'jaws', round: ['W4'] }
    const nothing = attempt.measure(clamp, 0, { instrument: 'clamp', arrangement })
    expect(nothing.reading.value).toBeCloseTo(0, 1)
    const step = attempt.act({
      type: 'test',
      arrangement,
      instrument: 'clamp',
      settings: {},
      held: clamp,
      also: [{ instrument: 'loadLamp', settings: {}, held: { type: 'inPlaceOf', part: 'F1' } }],
      prediction: { type: 'value', value: 3 },
      source: 'model',
    })
    if (step.type !== 'test') throw new Error('no test')
    expect(step.reading.value).toBeGreaterThan(1)
    expect(step.reading.value).toBeLessThan(5)
  })
})

describe('a jumper that is left on', () => {
  const open: Fault = { kind: 'open', part: 'X1', segment: 'pin' }
  const over = {
    instrument: 'jumper' as const,
    settings: {},
    held: { type: 'leads' as const, red: 'X1a', black: 'X1b' },
  }
  const seen = (also: (typeof over)[]) => {
    const step = begin([open]).act({ type: 'operate', arrangement: on, also })
    return step.type === 'operate' ? step : undefined
  }

  it('changes what is seen, and stands with what was seen', () => {
    expect(seen([])).toMatchObject({ seen: { L1: 'dark' } })
    expect(seen([])).not.toHaveProperty('also')
    expect(seen([over])).toMatchObject({ seen: { L1: 'bright' }, also: [{ instrument: 'jumper' }] })
  })

  it('on a point that is none is refused', () => {
    const order: Order = { circuit: lamp, planted: [open], frame: defaultFrame() }
    const held = { ...over.held, red: 'Z9' }
    const done = perform(order, startBench(order), [], {
      type: 'operate',
      arrangement: on,
      also: [{ ...over, held }],
    })
    expect(done).toMatchObject({ ok: false, why: { code: 'instruments.noPoint' } })
  })
})

describe('what cannot be done', () => {
  const refused = (action: Action, before: readonly Step['type'][] = []) => {
    const order = begin().order
    const done = perform(order, startBench(order), before, action)
    return done.ok ? '' : `${done.trouble}: ${tell(done.why)}`
  }
  const test: Extract<Action, { type: 'test' }> = {
    type: 'test',
    arrangement: on,
    instrument: 'volts',
    settings: {},
    held: { type: 'leads', red: 'L1a', black: 'B1-' },
    also: [],
    prediction: { type: 'OL' },
    source: 'model',
  }

  it.each<[string, Action, RegExp]>([
    [
      'a conclusion without a test',
      { type: 'conclude', piece: 'X2', kind: 'open', sure: 50, note: '' },
      /^order: /,
    ],
    ['an inference without a reading', { type: 'infer', struck: [], ringed: [], note: '' }, /^order: /],
    [
      'a control that is none',
      { ...test, arrangement: { ...on, controls: { F1: 'closed' } } },
      /^input: .*F1/,
    ],
    ['a position that it has not', { ...test, arrangement: { ...on, controls: { S1: 'ajar' } } }, /closed/],
    ['taking out what is fixed', { ...test, arrangement: { ...on, detached: ['W1'] } }, /W1/],
    ['a setting that is none', { ...test, settings: { colour: 'red' } }, /colour/],
    ['an option that is none', { ...test, settings: { range: 'huge' } }, /auto.*milli/],
    ['holding a voltmeter as a clamp', { ...test, held: { type: 'jaws', round: ['W1'] } }, /two leads|leads/],
    ['a typed reading that was not typed', { ...test, source: 'typed' }, /^order: /],
    ['a repair that nobody would do', { type: 'repair', piece: 'X1', by: 'charge' }, /^input: /],
    ['renewing what is no fuse', { type: 'renew', fuse: 'L1' }, /L1/],
  ])('%s is refused in words', (_what, action, words) => expect(refused(action)).toMatch(words))

  it('an instrument that is not in the bag', () => {
    const attempt = new Attempt(lamp, [], on, { bag: ['ohms'] })
    expect(() => attempt.test('L1a', 'B1-', 12, [])).toThrow(/Volts DC/)
  })

  it('keeps what was typed from a real board as it was typed', () => {
    const attempt = begin()
    const reading = { value: 12.1, unit: 'V', text: '12.10 V', signs: [] } as const
    const step = attempt.act({ ...test, source: 'typed', reading: { ...reading, signs: [] } })
    expect(step).toMatchObject({ reading, source: 'typed' })
  })
})

describe('what a student is shown of a step', () => {
  it('is nothing of what it did to the bench', () => {
    const attempt = begin([{ kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.01 }])
    attempt.act({ type: 'renew', fuse: 'F1' })
    const operated = attempt.act({ type: 'operate', arrangement: on })
    const repaired = attempt.act({ type: 'repair', piece: 'W4', by: 'replace' })
    expect(operated).toMatchObject({ did: { blown: ['F1'] } })
    for (const step of [operated, repaired])
      expect(JSON.stringify(asSeen(step))).not.toMatch(/did|cured|blown/)
  })
})

describe('documents of an attempt', () => {
  it('go out and come in again with their version', () => {
    const attempt = begin().operate().test('L1a', 'B1-', 12.3, ['F1']).conclude('X2')
    for (const step of attempt.steps)
      expect(stepDoor.read(stepDoor.write(step))).toEqual({ ok: true, value: step })
    expect(frameDoor.read(frameDoor.write(attempt.order.frame))).toEqual({
      ok: true,
      value: attempt.order.frame,
    })
  })

  it.each<[string, (input: unknown) => { ok: boolean }]>([
    ['step', stepDoor.read],
    ['frame', frameDoor.read],
    ['planted', plantedDoor.read],
  ])('of no known shape are problems of the %s, never an exception', (_name, read) => {
    for (const input of [
      null,
      7,
      'x',
      [],
      [1],
      { v: 99 },
      { v: -1 },
      { type: 'test' },
      { list: [{ kind: 'gremlins' }] },
    ])
      expect(() => read(input)).not.toThrow()
    expect(read({ v: 99 }).ok).toBe(false)
    expect(read('x').ok).toBe(false)
  })

  it('of the first version that named other meters are lifted: a beep is a sign', () => {
    const read = stepDoor.read({
      type: 'test',
      arrangement: off,
      function: 'continuity',
      red: 'X1a',
      black: 'X1b',
      prediction: { type: 'beep' },
      reading: { function: 'continuity', value: 0.3, unit: 'Ω', text: '0.3 Ω', beeps: true },
    })
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(read.value).toMatchObject({
      instrument: 'continuity',
      reading: { value: 0.3, signs: [{ code: 'instruments.beeps' }] },
      source: 'model',
      also: [],
    })
  })

  it('of version 2 that named an instrument in English in a hint name it by its code; nothing else is touched', () => {
    const hint = (title: unknown, code = 'assessment.hintTest') => ({
      type: 'hint',
      level: 'test',
      says: { code, params: { title, place: 'X1a', state: 'Ohms' } },
      v: 2,
    })
    const lifted = stepDoor.read(hint('Ohms'))
    expect(lifted).toMatchObject({
      ok: true,
      value: { says: { params: { title: { code: 'instruments.ohms.title' }, state: 'Ohms' } } },
    })
    for (const other of [hint('Ohms', 'assessment.hintWhere'), hint('a word of somebody')])
      expect(stepDoor.read(other)).toMatchObject({ ok: true, value: { says: other.says } })
  })
})
