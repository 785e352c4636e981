import { describe, expect, it } from 'vitest'
import { judgeAttempt } from '.'
import { stateOf, type Arrangement } from '../attempt'
import { admits, Predictor, type Fact } from '../diagnosis'
import { readFaultSpec, type Fault } from '../faults'
import { isMessage } from '../document'
import { tell as say } from '../words'
import { defaultRubric, rubricDoor } from './rubric'
import { Attempt as Work, voltsSetup, type TestOptions } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'

const circuit = demoCircuit()
const predictor = new Predictor(circuit)
const fault: Fault = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
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
    expect(verdict(0.05)).toMatchObject({ verdict: 'right', share: 1 })
    expect(verdict(0.02)).toMatchObject({ verdict: 'right', share: 1 })
    expect(verdict(0)).toMatchObject({ verdict: 'near', share: 0.9 })
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

  it('are too early where much of the doubt is there, and a fault that fits is named', () => {
    const verdicts = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, [...feed, 'G1'])
      .verdicts('inference')
    const early = verdicts.find((v) => v.pieces?.[0]?.startsWith('G1'))!
    expect(early.share).toBeLessThan(1)
    expect(early.reason).toMatch(
      /^G1.* is struck out .*early, with \d+\s% of the doubt still on it: “G1 hopper frame ground.*” would have given the same readings\.$/,
    )
  })

  it('are the worst where the fault itself is struck out', () => {
    const verdicts = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, [...feed, 'X2'])
      .verdicts('inference')
    expect(verdicts.find((v) => v.pieces?.[0] === 'X2')).toMatchObject({
      verdict: 'the fault is struck out',
      share: 0,
    })
  })

  it('could have been more: what the reading cleared is told with the reading, and costs nothing', () => {
    const all = new Attempt().operate().test('L1a', 'B1-', 12.3, ['F1']).verdicts('inference')
    const could = all.find((v) => v.verdict === 'could be struck')!
    expect(could.reason).toContain('reading 1 (12.45\u00a0V, L1a to B1−)')
    expect(could.share).toBeUndefined()
    expect(all.find((v) => v.verdict === 'follows')).toMatchObject({ share: 1 })
  })

  it('are sound where a reading tells nothing and nothing is claimed: it earns nothing and costs nothing', () => {
    const all = new Attempt().test('B1+', 'B1-', 12.6, []).test('B1+', 'B1-', 12.6, []).verdicts('inference')
    const last = all[all.length - 1]!
    expect(last).toMatchObject({ verdict: 'sound' })
    expect(last.share).toBeUndefined()
  })

  it('cost one early strike among many right ones its own share only', () => {
    const share = (struck: string[]) => {
      const work = new Attempt().operate().test('L1a', 'B1-', 12.3, struck).test('X2a', 'X2b', 0.01, struck)
      const { marks } = work.conclude('X2').judged(predictor)
      return marks.find((m) => m.aspect === 'inference')!.points
    }
    expect(share(feed)).toBeGreaterThan(0.7 * defaultRubric.weights.inference)
    expect(share([...feed, 'CH1'])).toBeGreaterThan(0.6 * share(feed))
    expect(share([...feed, 'CH1'])).toBeLessThan(share(feed))
  })

  it('need only one of two wires that touch to stand', () => {
    const pair = readFaultSpec(circuit, 'X1=swapped&X2')
    if (!pair.ok) throw new Error('no such fault')
    const work = new Attempt(pair.fault).operate().test('L1a', 'B1-', 12.3, ['X2'])
    expect(work.verdicts('inference').map((v) => v.verdict)).not.toContain('the fault is struck out')
  })
})

describe('a counter-example', () => {
  it('would indeed have given the same readings: it is planted and solved before it is printed', () => {
    const work = new Attempt().operate().test('L1a', 'B1-', 12.3, [...feed, 'G1', 'W6', 'CH1', 'L1'])
    const judged = work.judged(predictor).judgements
    const named = judged.flatMap((j) => {
      const text = j.reason.params?.fault
      return isMessage(text) ? [{ text: say(text), piece: j.pieces![0]! }] : []
    })
    expect(named.length).toBeGreaterThan(1)
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
    for (const { piece } of named) {
      const fits = predictor.hypotheses.some(
        (hypothesis) =>
          hypothesis.pieces.includes(piece) &&
          [...Array(4 * hypothesis.grid.length + 1).keys()].some((i) =>
            admits(predictor, hypothesis, i / 4, facts),
          ),
      )
      expect(fits, piece).toBe(true)
    }
  })
})

describe('conclusions', () => {
  const walked = () => new Attempt().operate().test('L1a', 'B1-', 12.3, feed).test('X2a', 'X2b', 0.01, feed)

  it('are proven when next to all that is left strikes the piece', () => {
    expect(walked().conclude('X2').verdicts('conclusion')[0]).toMatchObject({ verdict: 'proven', share: 1 })
  })

  it('that are right and not yet shown earn their share of proof, with the rival and the test that parts them', () => {
    const verdict = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, feed)
      .conclude('X2')
      .verdicts('conclusion')[0]!
    expect(verdict.verdict).toBe('not yet shown')
    expect(verdict.share).toBeGreaterThan(0.02)
    expect(verdict.share).toBeLessThan(0.6)
    expect(verdict.reason).toMatch(
      /the readings leave \S+ \(\d+\s% of the doubt\)\. To tell them apart: .+ would have told more/,
    )
    expect(verdict.reason).not.toMatch(/luck/i)
  })

  it('are contradicted by the reading that had cleared the piece', () => {
    const verdict = walked().conclude('F1.fuse', 'blown').verdicts('conclusion')[0]!
    expect(verdict).toMatchObject({ verdict: 'contradicted', share: 0 })
    expect(verdict.reason).toMatch(/^(reading|what|the complaint)/)
  })

  it('lose a little for a manner that the readings do not allow, nothing for one that they do', () => {
    expect(walked().conclude('X2', 'open').verdicts('conclusion')[0]).toMatchObject({
      verdict: 'proven',
      share: 0.75,
    })
    expect(walked().conclude('X2', 'highResistance').verdicts('conclusion')[0]).toMatchObject({ share: 1 })
  })

  it('of a part that has several pieces ask for the piece: the part alone is half', () => {
    const relay = demoCircuit('sweeper-brush-relay')
    const planted: Fault = { kind: 'open', part: 'K1', segment: 'coil' }
    const state = relay.states.find((s) => s.name === 'key run, brush on')!
    const arrangement = { controls: state.controls, detached: [] }
    const own = new Predictor(relay)
    const share = (piece: string) => {
      const work = new Work(relay, [planted], arrangement).operate()
      for (const [red, black] of [
        ['K1.1', 'K1.2'],
        ['K1.1', 'B1-'],
      ] as const)
        work.measure({ type: 'leads', red, black }, 12)
      const judged = work.conclude(piece, 'open').judged(own)
      return judged.judgements.find((j) => j.aspect === 'conclusion')!
    }
    const whole = share('K1.coil')
    expect(whole).toMatchObject({ share: 1, verdict: { code: 'assessment.proven' } })
    expect(share('K1').share).toBeCloseTo(0.5, 6)
    expect(share('K1.contacts').share).toBeLessThan(0.5)
  })

  it('that name what the fault did to a fuse earn the consequence’s part', () => {
    const short: Fault = { kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.02 }
    const work = new Attempt(short).operate().test('F1b', 'B1-', 12.5, [])
    const verdict = work.conclude('F1.fuse', 'blown').verdicts('conclusion')[0]!
    expect(verdict).toMatchObject({ verdict: 'the consequence', share: 0.4 })
    expect(verdict.reason).toContain('ask what blew it')
  })

  it('and not where they name its holder: that is another piece of it', () => {
    const small: Fault = { kind: 'wrongFuse', part: 'F1', segment: 'link', severity: 1 }
    const work = new Attempt(small).operate().test('F1ta', 'F1tb', 12.5, [])
    const verdict = work.conclude('F1.holder', 'open').verdicts('conclusion')[0]!
    expect(verdict.verdict).not.toBe('the consequence')
    expect(verdict.reason).not.toContain('ask what blew it')
  })

  it('and so where no reading tells the fuse from what blew it: a seized motor has the ohms of one at rest', () => {
    const fan = demoCircuit('van-cooling-fan')
    const { controls, detached } = fan.states.find((s) => s.name === 'fan on')!
    const seized: Fault = { kind: 'seized', part: 'M1', segment: 'armature' }
    const work = new Work(fan, [seized], { controls, detached }).operate()
    for (const red of ['F1a', 'F1b']) work.measure({ type: 'leads', red, black: 'B1-' }, 12)
    const judged = work.conclude('F1.fuse', 'blown').judged(new Predictor(fan))
    const verdict = judged.judgements.find((j) => j.aspect === 'conclusion')!
    expect(verdict).toMatchObject({ share: 0.4, verdict: { code: 'assessment.effect' } })
  })
})

describe('verification, repair and proof', () => {
  const share = (work: Attempt, aspect: string) => work.verdicts(aspect)[0]?.share

  it('want the complaint seen first', () => {
    expect(share(new Attempt().operate().test('L1a', 'B1-', 12.3, []), 'verification')).toBe(1)
    expect(share(new Attempt().test('L1a', 'B1-', 12.3, []), 'verification')).toBe(0)
    expect(share(new Attempt().test('L1a', 'B1-', 12.3, []).operate() as Attempt, 'verification')).toBe(0.5)
    const off: Arrangement = { controls: { S1: 'open' }, detached: [] }
    const elsewhere = new Attempt().operate(off).test('L1a', 'B1-', 12.3, [])
    expect(share(elsewhere as Attempt, 'verification')).toBe(0.5)
  })

  it('want the failed test again under load, and the complaint gone', () => {
    const begun = () => new Attempt().operate().test('X2a', 'X2b', 0.01, []).conclude('X2') as Attempt
    const repaired = (by: 'terminal' | 'replace' = 'terminal') => {
      const work = begun()
      work.act({ type: 'repair', piece: 'X2', by })
      return work
    }
    expect(share(begun(), 'repair')).toBe(0)
    expect(share(repaired(), 'repair')).toBe(0.5)
    expect(share(repaired().operate() as Attempt, 'repair')).toBe(0.75)
    const proved = repaired()
    proved.measure({ type: 'leads', red: 'X2a', black: 'X2b' }, 0.01)
    expect(share(proved.operate() as Attempt, 'repair')).toBe(1)
  })

  it('count good parts that were replaced', () => {
    const work = new Attempt().operate().test('X2a', 'X2b', 0.01, []).conclude('X2') as Attempt
    work.act({ type: 'repair', piece: 'L1.bulb', by: 'replace' })
    expect(share(work, 'repair')).toBe(0)
    work.act({ type: 'repair', piece: 'X2', by: 'terminal' })
    expect(share(work, 'repair')).toBeCloseTo(0.25, 9)
    expect(work.verdicts('repair')[0]!.reason).toContain('One good piece')
  })
})

describe('marks', () => {
  const good = () => {
    const work = new Attempt()
      .operate()
      .test('L1a', 'B1-', 12.3, feed)
      .test('X2a', 'X2b', 0.02, [...feed, 'W5', 'L1', 'W6', 'G1', 'CH1', 'ST1', 'B1'])
      .conclude('X2')
    work.act({ type: 'repair', piece: 'X2', by: 'terminal' })
    work.measure({ type: 'leads', red: 'X2a', black: 'X2b' }, 0.02)
    return work.operate()
  }

  it('add up, each from the sentences that gave it, and reward the path over the answer', () => {
    const judged = good().judged(predictor)
    const lucky = new Attempt().test('B1+', 'B1-', 12.5, []).conclude('X2').judged(predictor)
    const wrong = new Attempt().test('B1+', 'B1-', 12.5, []).conclude('W3', 'open').judged(predictor)
    expect(judged.of).toBe(100)
    expect(judged.total).toBeCloseTo(
      judged.marks.reduce((s, m) => s + m.points, 0),
      9,
    )
    expect(judged.total).toBeGreaterThanOrEqual(95)
    expect(lucky.total).toBeLessThanOrEqual(40)
    expect(wrong.total).toBeLessThanOrEqual(20)
  })

  it('are capped by a grave error of safety, whatever the rest', () => {
    const work = good()
    work.measure({ type: 'leads', red: 'B1+', black: 'B1-' }, 0, { instrument: 'amps' })
    const judged = work.judged(predictor)
    expect(judged.total).toBe(defaultRubric.graveCap * judged.of)
    expect(judged.uncapped).toBeGreaterThan(judged.total)
  })

  it('follow the rubric: its weights, its cap', () => {
    const weights = { ...defaultRubric.weights, efficiency: 0, conclusion: 200 }
    const { order, steps } = good()
    const judged = judgeAttempt(predictor, order, steps, { ...defaultRubric, weights })
    expect(judged.of).toBe(270)
    expect(judged.marks.find((m) => m.aspect === 'conclusion')!.points).toBe(200)
  })

  it('of before there were verification and repair cost nothing for either', () => {
    const { version, weights } = defaultRubric
    const { prediction, technique, inference, efficiency, conclusion } = weights
    const first = { prediction, technique, inference, efficiency, conclusion }
    const read = rubricDoor.read({ v: 1, version, weights: first })
    expect(read.ok && read.value.weights).toMatchObject({ ...first, verification: 0, repair: 0 })
  })

  it('give nothing for an attempt with no step', () => {
    expect(judgeAttempt(predictor, new Attempt().order, []).total).toBe(0)
  })

  it('come with the sizes that the fault can have, and a short honest way', () => {
    const { order, steps } = good()
    const judged = judgeAttempt(predictor, order, steps)
    const size = judged.sizes[0]!
    expect(size.piece).toBe('X2')
    expect(size.from).toBeLessThanOrEqual(3)
    expect(size.to).toBeGreaterThanOrEqual(3)
    expect(judged.path.length).toBeGreaterThan(0)
    expect(judged.path.length).toBeLessThan(6)
    expect(judged.path[judged.path.length - 1]!.left).toBeLessThanOrEqual(2)
  })
})

describe('a reading that the board does not give', () => {
  const typed = (value: number, text: string, unit: 'V' | 'Ω' = 'V', held = ['L1a', 'B1-']) => {
    const work = new Attempt().operate()
    work.act({
      type: 'test',
      arrangement: on,
      instrument: unit === 'V' ? 'volts' : 'ohms',
      settings: {},
      held: { type: 'leads', red: held[0]!, black: held[1]! },
      also: [],
      prediction: { type: 'value', value: 12 },
      source: 'typed',
      reading: { value, unit, text, signs: [] },
    })
    return work as Attempt
  }
  const asked = (work: Attempt) => work.verdicts('reading').map((v) => v.reason)

  it('is asked about, the likeliest cause first, and is no evidence', () => {
    expect(asked(typed(12.46, '12.46 V'))).toEqual([])
    expect(asked(typed(0, '0 V'))[0]).toMatch(/^Was the circuit in this state\? With “.*” this would read/)
    expect(asked(typed(-12.46, '−12.46 V'))[0]).toMatch(/Which lead was red/)
    expect(asked(typed(0.01246, '12.46 mV'))[0]).toMatch(/Was it 12\.46/)
    expect(asked(typed(7.7, '7.7 V'))[0]).toMatch(/Is the board as it is drawn/)
    const work = typed(7.7, '7.7 V').judged(predictor)
    expect(work.suspects[1]).toEqual(work.suspects[0])
    expect(work.contradictions).toEqual([])
  })
})
