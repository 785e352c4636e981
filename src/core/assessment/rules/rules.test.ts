import { describe, expect, it } from 'vitest'
import type { Arrangement, Connection } from '../../attempt'
import { Predictor } from '../../diagnosis'
import type { Fault } from '../../faults'
import { instrumentOf, settingsOf, type InstrumentKey, type Settings } from '../../instruments'
import { defaultRubric, followBlindly, practiceVerdicts, type Judgement } from '..'
import { tell } from '../../words'
import { techniqueRules } from './registry'
import { Attempt } from '../../../../test/attempt'
import { complaintOf } from '../../../../test/students'
import { demoCircuit } from '../../../../test/demo'

const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const off: Arrangement = { controls: { S1: 'open' }, detached: [] }
const unplugged: Arrangement = { controls: { S1: 'closed' }, detached: ['L1'] }
const strapOff: Arrangement = { controls: { S1: 'closed' }, detached: ['ST1'] }
const brush: Arrangement = { controls: { S9: 'closed', SK1: 'run', S1: 'closed' }, detached: [] }
const predictors = new Map<string, Predictor>()

/** One attempt on a demo circuit, written as short as it is done. */
class Bench extends Attempt {
  constructor(
    private readonly name: string,
    planted: Fault | readonly Fault[],
    private readonly state: Arrangement,
  ) {
    const circuit = demoCircuit(name)
    const list = 'kind' in planted ? [planted] : planted
    const { complaint = [] } = complaintOf(circuit, list) ?? {}
    super(circuit, list, state, { complaint, faults: list.length === 2 ? 2 : 1 })
  }
  hold(
    instrument: InstrumentKey,
    held: Connection['held'],
    more: {
      settings?: Settings
      arrangement?: Arrangement
      strike?: string[]
      predicted?: number
      word?: string
      also?: Connection[]
    } = {},
  ): this {
    const { settings, arrangement = this.state, strike, predicted = 12, word, also = [] } = more
    this.act({
      type: 'test',
      arrangement,
      instrument,
      settings: settingsOf(instrumentOf(instrument), settings),
      held,
      also,
      prediction: word === undefined ? { type: 'value', value: predicted } : { type: 'word', word },
      source: 'model',
    })
    return strike ? this.infer(strike) : this
  }
  volts(red: string, black: string, more: Parameters<Bench['hold']>[2] = {}): this {
    return this.hold('volts', { type: 'leads', red, black }, more)
  }
  get fired(): string[] {
    const { circuit, planted, frame } = this.order
    const key = planted.length > 1 ? `${this.name} ${JSON.stringify(planted)}` : this.name
    let predictor = predictors.get(key)
    if (!predictor)
      predictors.set(key, (predictor = new Predictor(circuit, undefined, planted, frame.faults)))
    return this.judged(predictor).judgements.flatMap(({ verdict }) => {
      const key = /^rules\.(.+)\.title$/.exec(verdict.code)?.[1]
      return key === undefined ? [] : [key]
    })
  }
}

const badPlug: Fault = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }
const openGround: Fault = { kind: 'open', part: 'G1', segment: 'foot' }
const lamp = (fault: Fault | readonly Fault[] = badPlug) =>
  new Bench('sweeper-work-lamp', fault, on).operate() as Bench
const relay = (fault: Fault = { kind: 'open', part: 'W3', segment: 'copper' }) =>
  new Bench('sweeper-brush-relay', fault, brush).operate() as Bench
const crank = (gear: string): Arrangement => ({ controls: { SK1: 'crank', SN1: gear }, detached: [] })
const starter = () =>
  new Bench(
    'van-starting',
    { kind: 'highResistance', part: 'W1', segment: 'copper', severity: 0.02 },
    crank('park'),
  ).operate() as Bench
const leads = (red: string, black: string) => ({ type: 'leads', red, black }) as const
const jumper = (red: string, black: string, fuse = '10'): Connection => ({
  instrument: 'jumper',
  settings: { fuse },
  held: leads(red, black),
})
const slack: Fault = { kind: 'slack', part: 'X2', segment: 'pin', severity: 1e6 }

/** Of every rule: an attempt in which it fires, and one close by in which it does not. */
const cases: Readonly<Record<string, readonly [fires: () => Bench, not: () => Bench]>> = {
  ohmsLive: [
    () => lamp().hold('ohms', leads('X2a', 'X2b')),
    () => lamp().hold('ohms', leads('X2a', 'X2b'), { arrangement: strapOff }),
  ],
  samePoint: [() => lamp().volts('L1a', 'L1a'), () => lamp().volts('L1a', 'L1b')],
  dropWithoutLoad: [
    () => lamp().volts('X2a', 'X2b', { arrangement: off, strike: ['X2'] }),
    // Careful: nothing is claimed from it.
    () => lamp().volts('X2a', 'X2b', { arrangement: off, strike: [] }),
  ],
  voltsWithoutLoad: [
    () => lamp().volts('L1a', 'B1-', { arrangement: unplugged, strike: ['X1', 'W4'] }),
    // The same with the lamp drawing its current.
    () => lamp().volts('L1a', 'B1-', { strike: ['X1', 'W4'] }),
  ],
  nothingFlows: [
    () => lamp().volts('X2a', 'X2b', { arrangement: off }),
    // Across an open switch there is a reason to measure, and something to read.
    () => lamp().volts('S1a', 'S1b', { arrangement: off }),
  ],
  zeroIsNotPerfect: [
    // Two faults may be there: the plug carries nothing, so that nothing is known of it.
    () =>
      lamp([{ kind: 'open', part: 'X1', segment: 'pin' }, badPlug]).volts('X2a', 'X2b', { strike: ['X2'] }),
    // With one fault, all volts of the source across the ground joint say that it is there.
    () =>
      lamp(openGround)
        .volts('G1n', 'G1c', { strike: [] })
        .volts('X2a', 'X2b', { strike: ['X2'] }),
  ],
  noughtClearsNothingElse: [
    () => lamp(openGround).volts('X2a', 'X2b', { strike: ['X2'] }),
    // With the lamp drawing its current, small and not zero is a measurement.
    () => lamp().volts('X1a', 'X1b', { strike: ['X1'] }),
  ],
  sourceReadAsGood: [
    () => lamp(openGround).volts('G1n', 'G1c', { strike: ['G1'] }),
    () => lamp(openGround).volts('G1n', 'G1c', { strike: ['F1', 'S1'] }),
  ],
  coldOhmsTrusted: [
    () => lamp().hold('continuity', leads('X2a', 'X2b'), { arrangement: strapOff, strike: ['X2'] }),
    () => lamp().hold('continuity', leads('X2a', 'X2b'), { arrangement: strapOff, strike: [] }),
  ],
  lampTooLight: [
    () => lamp().hold('testLamp', leads('B1+', 'L1b'), { word: 'bright', strike: ['X2'] }),
    () =>
      lamp().hold('testLamp', leads('B1+', 'X2b'), {
        settings: { size: '2' },
        word: 'bright',
        strike: ['G1'],
      }),
  ],
  badGroundReference: [
    () =>
      lamp({ kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }).volts('X1b', 'X2b', {
        strike: ['W1', 'CH1'],
      }),
    () =>
      lamp({ kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }).volts('X1b', 'B1-', {
        strike: ['W1', 'CH1'],
      }),
  ],
  eyeletForStud: [
    () =>
      lamp({ kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }).volts('X2b', 'G1e', {
        strike: ['G1.foot'],
      }),
    () =>
      lamp({ kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }).volts('G1n', 'G1c', {
        strike: ['X2'],
      }),
  ],
  prefixSlip: [
    () => lamp().volts('X1a', 'X1b', { predicted: 14 }),
    () => lamp().volts('X1a', 'X1b', { predicted: 0.014 }),
  ],
  leadsReversed: [() => lamp().volts('B1-', 'B1+'), () => lamp().volts('B1+', 'B1-')],
  alarmAtMinus: [
    () => lamp().volts('B1-', 'L1a').volts('L1a', 'B1-'),
    () => lamp().volts('B1-', 'L1a').volts('L1b', 'B1-'),
  ],
  fuseTableStretched: [
    () => lamp().hold('fuseVolts', { type: 'spots', part: 'F1' }, { arrangement: off, strike: ['W1', 'L1'] }),
    () => lamp().hold('fuseVolts', { type: 'spots', part: 'F1' }, { arrangement: off, strike: [] }),
  ],
  clampNotZeroed: [
    () =>
      lamp().hold('clamp', { type: 'jaws', round: ['W4'] }, { settings: { zero: 'not' }, arrangement: off }),
    () => lamp().hold('clamp', { type: 'jaws', round: ['W4'] }, { arrangement: off }),
  ],
  clampBlind: [
    () => lamp().hold('clampAC', { type: 'jaws', round: ['W4'] }),
    () => lamp().hold('clamp', { type: 'jaws', round: ['W4'] }),
  ],
  jawsRoundTwo: [
    () => lamp().hold('clamp', { type: 'jaws', round: ['W4', 'W5'] }),
    () => lamp().hold('clamp', { type: 'jaws', round: ['W4'] }),
  ],
  jumperCounted: [
    () => lamp().volts('X2a', 'X2b', { also: [jumper('X2a', 'X2b')], strike: ['X2'] }),
    () => lamp().volts('X1a', 'X1b', { also: [jumper('X2a', 'X2b')], strike: ['X2'] }),
  ],
  feedOnly: [
    () => lamp().volts('L1a', 'B1-').conclude('L1.bulb', 'burntOut') as Bench,
    () => lamp().volts('L1a', 'B1-').volts('L1a', 'L1b').conclude('L1.bulb', 'burntOut') as Bench,
  ],
  replacedBeforeTested: [
    () => {
      const work = lamp().volts('B1+', 'B1-')
      work.act({ type: 'repair', piece: 'L1.bulb', by: 'replace' })
      return work
    },
    () => {
      const work = lamp().volts('L1a', 'L1b')
      work.act({ type: 'repair', piece: 'L1.bulb', by: 'replace' })
      return work
    },
  ],
  worksNow: [
    () => {
      const moved: Arrangement = { ...on, wiggled: ['X2'] }
      const work = new Bench('sweeper-work-lamp', slack, moved).operate() as Bench
      work.operate({ ...moved, detached: ['X2'] })
      return work.volts('L1a', 'L1b', { arrangement: moved })
    },
    () => {
      const moved: Arrangement = { ...on, wiggled: ['X2'] }
      const work = new Bench('sweeper-work-lamp', slack, moved).operate() as Bench
      return work.volts('L1a', 'L1b', { arrangement: moved })
    },
  ],
  sameTestAgain: [
    () => lamp().volts('X2a', 'X2b').volts('X2a', 'X2b'),
    () => {
      const work = lamp().volts('X2a', 'X2b')
      work.act({ type: 'repair', piece: 'X2', by: 'terminal' })
      return work.volts('X2a', 'X2b')
    },
  ],
  ammeterAcross: [
    () => lamp().hold('amps', leads('B1+', 'B1-')),
    () => lamp().hold('amps', { type: 'series', part: 'F1' }, { arrangement: { ...on, detached: ['F1'] } }),
  ],
  leadsInAmpsJack: [
    () => lamp().volts('B1+', 'B1-', { settings: { jack: 'amps' } }),
    () => lamp().volts('B1+', 'B1-'),
  ],
  unfusedJumper: [
    () => lamp().hold('jumper', leads('X2a', 'X2b'), { settings: { fuse: 'none' }, word: 'holds' }),
    () => lamp().hold('jumper', leads('X2a', 'X2b'), { word: 'holds' }),
  ],
  jumperAcrossLoad: [
    () => lamp().hold('jumper', leads('L1a', 'L1b'), { word: 'holds' }),
    () => lamp().hold('jumper', leads('S1a', 'S1b'), { word: 'holds' }),
  ],
  loadsModule: [
    () => relay().hold('testLamp', leads('B1+', 'N1.i1'), { word: 'dark' }),
    () => relay().hold('testLamp', leads('K1.3', 'B1-'), { word: 'bright' }),
  ],
  loadOnBattery: [
    () => lamp().hold('loadLamp', leads('B1+', 'B1-'), { word: 'bright' }),
    () => lamp().hold('loadLamp', leads('L1a', 'B1-'), { word: 'bright' }),
  ],
  crankedInGear: [
    () =>
      starter().volts('B1+', 'B1-', {
        arrangement: { ...crank('drive'), bypassed: [['SN1.a', 'SN1.b']] },
      }),
    () => starter().volts('B1+', 'B1-', { arrangement: crank('drive') }),
  ],
}

describe('technique and safety', () => {
  it('have two cases for every rule', () => {
    expect(Object.keys(cases).sort()).toEqual(techniqueRules.map((rule) => rule.key).sort())
  })

  it.each(Object.entries(cases))('%s fires on the mistake, and not close by', (key, [fires, not]) => {
    expect(fires().fired).toContain(key)
    expect(not().fired).not.toContain(key)
  })

  it('find nothing in a good attempt', () => {
    const good = lamp()
      .volts('B1+', 'B1-', { predicted: 12.6, strike: [] })
      .volts('L1a', 'L1b', { predicted: 12.2, strike: [] })
      .volts('X2a', 'X2b', { predicted: 0.01, strike: ['F1', 'S1', 'W1', 'W2', 'W3', 'X1', 'W4', 'L1'] })
      .conclude('X2') as Bench
    good.act({ type: 'repair', piece: 'X2', by: 'terminal' })
    expect(good.volts('X2a', 'X2b', { predicted: 0.01 }).fired).toEqual([])
  })

  it.each([
    [
      'volts at an unplugged load',
      () =>
        new Bench(
          'sweeper-work-lamp',
          { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 },
          on,
        ).operate() as Bench,
      (work: Bench) => work.volts('L1a', 'B1-', { arrangement: unplugged, strike: ['X1', 'W4', 'F1'] }),
      'voltsWithoutLoad',
    ],
    [
      'a drop with the switch open',
      () => lamp(),
      (work: Bench) => work.volts('X2a', 'X2b', { arrangement: off, strike: ['X2'] }),
      'dropWithoutLoad',
    ],
    [
      'post to clamp with the key off',
      () =>
        new Bench(
          'van-starting',
          { kind: 'highResistance', part: 'B1', segment: 'clampPlus', severity: 0.05 },
          crank('park'),
        ).operate() as Bench,
      (work: Bench) =>
        work.volts('B1+', 'B1p', {
          arrangement: { controls: { SK1: 'off', SN1: 'park' }, detached: [] },
          strike: ['B1.plus'],
        }),
      'dropWithoutLoad',
    ],
    [
      'a feed drop on an open circuit',
      () => lamp([openGround, { kind: 'corroded', part: 'X1', segment: 'pin', severity: 3 }]),
      (work: Bench) => work.volts('B1+', 'L1a', { strike: ['X1', 'W4', 'F1', 'S1'] }),
      'zeroIsNotPerfect',
    ],
  ] as const)('name %s for what it is', (_, begin, measure, key) => {
    expect(measure(begin()).fired).toContain(key)
  })

  it('say what the same reading would have been with the load on, on this board, and not while the work goes on', () => {
    const work = lamp().volts('X2a', 'X2b', { arrangement: off, strike: ['X2'] })
    const said = (judgements: readonly Judgement[]) =>
      tell(judgements.find(({ verdict }) => verdict.code === 'rules.dropWithoutLoad.title')!.reason)
    const predictor = new Predictor(work.order.circuit)
    const loaded = lamp().measure(leads('X2a', 'X2b'), 0.01).reading.text
    expect(said(work.judged(predictor).judgements)).toContain(`would have been ${loaded}`)
    const blindly = followBlindly(predictor, work.order, defaultRubric).follow(work.steps)
    expect(said(practiceVerdicts(blindly))).not.toContain('would have been')
  })

  it('ask of what an instrument is, never which: a rule names no instrument', () => {
    for (const { fires } of techniqueRules) {
      const text = String(fires)
      for (const key of ['volts', 'ohms', 'clamp', 'testLamp', 'jumper'])
        expect(text).not.toMatch(new RegExp(`instrument\\s*===\\s*['"]${key}['"]`))
    }
  })
})

describe('the same test again', () => {
  const at = (red: string, also = 'B1-') => relay().volts('N1.30', 'B1-').volts(red, also).fired

  it('is known by the points that were touched, whatever they are called', () => {
    // The supply pin from the back: upper row, the eighth from the left.
    expect(at('N1/A 1.8')).toContain('sameTestAgain')
    expect(at('N1/A 1.7')).not.toContain('sameTestAgain')
  })
})
