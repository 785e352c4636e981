import { describe, expect, it } from 'vitest'
import { judgeAttempt } from '.'
import { stateOf, type Arrangement } from '../attempt'
import { findPieces } from '../circuit'
import { exampleOf, Predictor, standing, type Fact, type Hypothesis, type Standing } from '../diagnosis'
import type { Fault } from '../faults'
import { speaker, english } from '../words'
import { judgeConclusion } from './conclusion'
import { ruleTexts, techniqueRules } from './rules/registry'
import { Attempt as Work, voltsSetup, type TestOptions } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'

const say = speaker({ tag: 'en-GB', texts: { ...english, ...ruleTexts } })
const circuit = demoCircuit()
const predictor = new Predictor(circuit)
const fault: Fault = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const off: Arrangement = { controls: { S1: 'open' }, detached: [] }
const feed = ['W1', 'F1', 'W2', 'S1', 'W3', 'X1', 'W4']

class Attempt extends Work {
  constructor(planted: Fault = fault) {
    super(circuit, [planted], on)
  }
  override test(
    red: string,
    black: string,
    predicted: number | 'OL' | 'beep',
    struck: string[],
    options: TestOptions & { dial?: TestOptions['instrument'] } = {},
  ) {
    const { dial, ...rest } = options
    return super.test(red, black, predicted, struck, { ...(dial && { instrument: dial }), ...rest })
  }
  verdicts(aspect: string) {
    return this.judged(predictor)
      .judgements.filter((j) => j.aspect === aspect)
      .map((j) => ({ ...j, verdict: say(j.verdict), reason: say(j.reason) }))
  }
}

describe('predictions', () => {
  it('are of the good circuit, and the reason says what it would show', () => {
    const verdict = (value: number | 'OL') =>
      new Attempt().operate().test('L1a', 'B1-', value, []).verdicts('prediction')[0]!
    expect(verdict(12.3)).toMatchObject({ verdict: 'right', share: 1 })
    expect(verdict(12.3).reason).toContain('12.34')
    expect(verdict(11.6)).toMatchObject({ verdict: 'near', share: 0.5 })
    expect(verdict(0)).toMatchObject({ verdict: 'off', share: 0 })
    expect(verdict('OL')).toMatchObject({ verdict: 'off' })
    expect(verdict(-12.3)).toMatchObject({ verdict: 'sign', share: 0.7 })
  })

  it('of a drop are judged on the scale of the limits: small is not zero, and 0.3 V for a good joint is off', () => {
    const verdict = (value: number) =>
      new Attempt().operate().test('X1a', 'X1b', value, []).verdicts('prediction')[0]!
    expect(verdict(0.3)).toMatchObject({ verdict: 'off', share: 0 })
    expect(verdict(0.08)).toMatchObject({ verdict: 'near', share: 0.5 })
    expect(verdict(0.02)).toMatchObject({ verdict: 'right', share: 1 })
    expect(verdict(0)).toMatchObject({ verdict: 'near', share: 0.8 })
    expect(verdict(0).reason).toContain('Small, not zero')
    expect(verdict(-0.02).share).toBeLessThan(1.01)
  })

  it('of continuity are a beep or none', () => {
    const strapOff: Arrangement = { ...on, detached: ['ST1'] }
    const verdict = (p: 'beep' | 'OL') =>
      new Attempt()
        .test('X1a', 'X1b', p, [], { dial: 'continuity', arrangement: strapOff })
        .verdicts('prediction')[0]!
    expect(verdict('beep').verdict).toBe('right')
    expect(verdict('OL').verdict).toBe('off')
  })
})

describe('inferences', () => {
  it('follow where no surviving fault strikes the part', () => {
    const [first] = new Attempt().operate().test('L1a', 'B1-', 12.3, feed).verdicts('inference')
    expect(first).toMatchObject({ verdict: 'follows', share: 1 })
  })

  it('are too early where one does, and a fault that fits is named', () => {
    const verdicts = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, [...feed, 'G1'])
      .verdicts('inference')
    const early = verdicts.find((v) => v.verdict === 'too early')!
    expect(early.share).toBe(0)
    expect(early.reason).toMatch(
      /^G1 is struck out too early: “G1 hopper frame ground.*” would have given the same readings\.$/,
    )
  })

  it('miss what the reading cleared, and the reading is named', () => {
    const [missed] = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, ['F1'])
      .verdicts('inference')
      .filter((v) => v.verdict === 'missed')
    expect(missed!.reason).toContain('reading 1 (12.46\u00a0V, L1a to B1−)')
  })

  it('are sound where a reading tells nothing and nothing is claimed', () => {
    const [only] = new Attempt().test('B1+', 'B1-', 12.6, []).verdicts('inference')
    expect(only).toMatchObject({ verdict: 'sound', share: 1 })
  })
})

describe('technique', () => {
  const fired = (attempt: Attempt) => attempt.verdicts('technique').map((v) => v.verdict)

  const slips: [string, Attempt, string][] = [
    [
      'ohms on a live circuit',
      new Attempt().operate().test('X2a', 'X2b', 0, [], { dial: 'ohms' }),
      'Ohms on a live circuit',
    ],
    [
      'a drop test with the circuit off',
      new Attempt().operate().test('X2a', 'X2b', 0, ['X2'], { arrangement: off }),
      'Drop test with the circuit off',
    ],
    [
      'zero read as perfect',
      new Attempt({ kind: 'open', part: 'G1', segment: 'foot' }).operate().test('X2a', 'X2b', 0, ['X2']),
      'Zero read as perfect',
    ],
    [
      'continuity trusted',
      new Attempt().operate().test('X2a', 'X2b', 'beep', ['X2'], {
        dial: 'continuity',
        arrangement: { ...on, detached: ['ST1'] },
      }),
      'Trusting continuity or cold ohms',
    ],
    ['a complaint not verified', new Attempt().test('L1a', 'B1-', 12.3, []), 'Complaint not verified'],
    ['both leads on one point', new Attempt().operate().test('L1a', 'L1a', 0, []), 'Both leads on one point'],
    ['leads reversed', new Attempt().operate().test('B1-', 'B1+', 12.6, []), 'Leads reversed'],
    [
      'the same test again',
      new Attempt().operate().test('X2a', 'X2b', 0.01, []).test('X2a', 'X2b', 0.01, []),
      'The same test again',
    ],
  ]
  it.each(slips)('recognises %s', (_name, attempt, title) => expect(fired(attempt)).toContain(title))

  it('has a case for every rule, and a good attempt breaks none', () => {
    expect(new Set(slips.map(([, , title]) => title))).toEqual(
      new Set(techniqueRules.map((rule) => rule.title)),
    )
    const good = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, feed)
      .test('L1a', 'L1b', 12.2, feed)
      .test('X2a', 'X2b', 0.01, feed)
    for (const { title } of techniqueRules) expect(fired(good)).not.toContain(title)
  })

  it('lets a test be repeated after a repair: that is the proof', () => {
    const again = new Attempt().operate().test('X2a', 'X2b', 0.01, [])
    again.act({ type: 'repair', piece: 'X2', by: 'terminal' })
    expect(fired(again.test('X2a', 'X2b', 0.01, []))).not.toContain('The same test again')
  })

  it('finds nothing wrong with a good test, and costs nothing for a minus sign', () => {
    expect(fired(new Attempt().operate().test('X2a', 'X2b', 0.01, []))).toEqual(['sound'])
    expect(new Attempt().operate().test('B1-', 'B1+', -12.6, []).verdicts('technique')[0]).toMatchObject({
      grade: 'neutral',
      share: 1,
    })
  })
})

describe('a counter-example', () => {
  it('would indeed have given the same readings: it is planted and solved before it is printed', () => {
    const work = new Attempt().operate().test('L1a', 'B1-', 12.3, [...feed, 'G1', 'X2', 'W6'])
    const early = work.judged(predictor).judgements.filter((j) => j.verdict.code === 'assessment.tooEarly')
    expect(early.length).toBeGreaterThan(1)
    const [seen, measured] = work.steps
    if (seen?.type !== 'operate' || measured?.type !== 'test') throw new Error('no steps')
    const facts: Fact[] = [
      { type: 'seen', state: stateOf(on), seen: seen.seen },
      {
        type: 'measured',
        setup: voltsSetup(predictor, stateOf(on), 'L1a'),
        value: measured.reading.value!,
        meaningless: false,
      },
    ]
    for (const part of ['G1', 'X2', 'W6']) {
      const survivors = standing(predictor, facts).survivors.filter((h) => h.part === part)
      const example = survivors.map((h) => exampleOf(predictor, h, facts)).find(Boolean)!
      const other = new Attempt(example).operate()
      expect(other.steps[0], part).toMatchObject({ seen: seen.seen })
      const shown = other.measure({ type: 'leads', red: 'L1a', black: 'B1-' }, 12).reading.value!
      expect(Math.abs(shown - measured.reading.value!)).toBeLessThan(0.3)
    }
  })

  it('is none where each reading alone would fit some severity, but no severity fits both', () => {
    const facts = (a: number, b: number): Fact[] =>
      [a, b].map((value, i) => ({
        type: 'measured',
        setup: voltsSetup(predictor, stateOf(on), i ? 'L1b' : 'X2a', 'B1-'),
        value,
        meaningless: false,
      }))
    const hypothesis: Hypothesis = {
      part: 'X2',
      ends: [0.5, 5].map((severity) => ({ kind: 'highResistance', part: 'X2', segment: 'pin', severity })),
      prior: 1,
    }
    const work = (severity: number) =>
      new Attempt({ kind: 'highResistance', part: 'X2', segment: 'pin', severity }).measure(
        { type: 'leads', red: 'X2a', black: 'B1-' },
        0,
      ).reading.value!
    expect(exampleOf(predictor, hypothesis, facts(work(1), work(1)))).toMatchObject({ part: 'X2' })
    expect(predictor.admits(hypothesis, facts(work(0.7), work(3))[0]!)).toBe(true)
    expect(predictor.admits(hypothesis, facts(work(0.7), work(3))[1]!)).toBe(true)
    expect(exampleOf(predictor, hypothesis, facts(work(0.7), work(3)))).toBeUndefined()
  })
})

describe('conclusions', () => {
  it('name the piece: of a part that has several, the part alone or another piece is half at most', () => {
    const relay = demoCircuit('sweeper-brush-relay')
    const id = relay.parts.find((part) => part.kind === 'relay')!.id
    const planted: Fault = { kind: 'open', part: id, segment: 'coil' }
    // Every other part is cleared: only what is named is in question.
    const left: Standing = {
      survivors: [],
      suspects: new Set([id]),
      cleared: new Set(),
      healthyPossible: false,
    }
    const share = (piece: string) => {
      const step = { type: 'conclude', piece, kind: 'open', sure: 80, note: '' } as const
      return judgeConclusion(new Predictor(relay), [], [], left, step, [planted], 0).share!
    }
    const pieces = findPieces(relay, id).map((piece) => piece.id)
    const right = findPieces(relay, `${id}.coil`)[0]!.id
    expect(share(right)).toBe(1)
    expect(share(`${id}.coil`)).toBe(1)
    for (const other of [id, ...pieces.filter((piece) => piece !== right)])
      expect(share(other), other).toBe(0.5)
  })

  const walked = () => new Attempt().operate().test('L1a', 'B1-', 12.3, feed).test('X2a', 'X2b', 0.01, feed)

  it('are proven when every survivor strikes the part', () => {
    expect(walked().conclude('X2').verdicts('conclusion')[0]).toMatchObject({ verdict: 'proven', share: 1 })
  })

  it('are not yet shown when right by luck', () => {
    const verdict = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, feed)
      .conclude('X2')
      .verdicts('conclusion')[0]!
    expect(verdict).toMatchObject({ verdict: 'not yet shown', share: 0.6 })
    expect(verdict.reason).toMatch(/the readings leave .* possible as well/)
  })

  it('are contradicted by the reading that had cleared the part', () => {
    const verdict = walked().conclude('F1', 'blown').verdicts('conclusion')[0]!
    expect(verdict).toMatchObject({ verdict: 'contradicted', share: 0 })
    expect(verdict.reason).toMatch(/^(reading|what)/)
  })

  it('lose a little for the wrong manner', () => {
    expect(walked().conclude('X2', 'open').verdicts('conclusion')[0]).toMatchObject({
      verdict: 'proven',
      share: 0.75,
    })
  })
})

describe('marks', () => {
  it('add up, each from the sentences that gave it, and reward the path over the answer', () => {
    const good = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, feed)
      .test('X2a', 'X2b', 0.02, [...feed, 'W5', 'L1', 'W6', 'G1', 'CH1', 'ST1', 'B1'])
      .conclude('X2')
      .judged(predictor)
    const lucky = new Attempt().test('B1+', 'B1-', 3, ['L1', 'F1', 'G1']).conclude('X2').judged(predictor)
    expect(good.of).toBe(100)
    expect(good.total).toBeCloseTo(
      good.marks.reduce((s, m) => s + m.points, 0),
      9,
    )
    expect(good.total).toBeGreaterThan(90)
    expect(lucky.total).toBeLessThan(50)
    for (const mark of good.marks) expect(good.judgements.some((j) => j.aspect === mark.aspect)).toBe(true)
  })

  it('give nothing for an attempt with no step', () => {
    expect(judgeAttempt(predictor, new Attempt().order, []).total).toBe(0)
  })
})
