import { describe, expect, it } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { draftComplaint, perform, startBench, type Arrangement, type Order } from '../attempt'
import type { Circuit } from '../circuit'
import { Predictor } from '../diagnosis'
import type { Fault } from '../faults'
import { piecesOf, terminalName } from '../model'

const burntCoil: Fault = { kind: 'open', part: 'K1', segment: 'coil' }
const openPin: Fault = { kind: 'open', part: 'K1', segment: 'pin86' }

/** The cooling fan with its key and switch on. */
const fan = demoCircuit('van-cooling-fan')
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }

function turns(circuit: Circuit, planted: Fault[], arrangement: Arrangement, spares: Fault[] = []): string {
  const attempt = new Attempt(circuit, planted, arrangement, {}, spares)
  const step = attempt.act({ type: 'operate', arrangement })
  return step.type === 'operate' ? step.seen.M1! : ''
}

function ohmsInHand(planted: Fault[], spare: boolean, detached: string[], spares: Fault[] = []) {
  const attempt = new Attempt(fan, planted, { ...on, detached }, {}, spares)
  const held = { type: 'hand', red: 'K1.86', black: 'K1.85', ...(spare && { spare }) } as const
  return attempt.measure(held, 90, { instrument: 'ohms' }).reading
}

describe('a spare in place of a part', () => {
  const withSpare = { ...on, spares: ['K1'] }

  it('cures what was in the part, and not what is in its socket', () => {
    const sound = turns(fan, [], on)
    expect(turns(fan, [burntCoil], on)).not.toBe(sound)
    expect(turns(fan, [burntCoil], withSpare)).toBe(sound)
    expect(turns(fan, [openPin], withSpare)).not.toBe(sound)
  })

  it('is bad where its instructor says so, and reads so in the hand', () => {
    const sound = turns(fan, [], on)
    expect(turns(fan, [burntCoil], withSpare, [burntCoil])).not.toBe(sound)
    // Beside each other: the good one from the box, and the bad one; what is left is the resistor across the coil.
    expect(ohmsInHand([], true, []).value).toBeLessThan(100)
    expect(ohmsInHand([], true, [], [burntCoil]).value).toBeGreaterThan(600)
    // Its fault is not that of the part itself.
    expect(ohmsInHand([], false, ['K1'], [burntCoil]).value).toBeLessThan(100)
    expect(ohmsInHand([burntCoil], false, ['K1']).value).toBeGreaterThan(600)
  })

  it('is evidence: the part has all the doubt once its spare works, and stays a suspect where the spare is bad too', () => {
    const doubts = (planted: Fault[], spares: Fault[]) => {
      const attempt = new Attempt(fan, planted, on, {}, spares).operate().operate(withSpare)
      const judged = attempt.judged(new Predictor(fan, undefined, planted, 1, spares))
      const said = judged.judgements.find(({ verdict }) => verdict.code === 'assessment.swapped')
      return { doubt: judged.doubts.at(-1)!, codes: JSON.stringify(said?.reason), judged }
    }
    const good = doubts([burntCoil], [])
    expect((good.doubt['K1.coil'] ?? 0) + (good.doubt['K1.contacts'] ?? 0)).toBeGreaterThan(0.95)
    expect(good.codes).toContain('assessment.swapOrTest')
    const bad = doubts([burntCoil], [burntCoil])
    expect(bad.doubt['K1.coil'] ?? 0).toBeGreaterThan(0.02)
    expect(bad.codes).toContain('assessment.badSpare')
    expect(bad.judged.contradictions).toEqual([])
  })
})

describe('the box gone through part by part', () => {
  it('buys what it shows: it earns no more than other parts put in on a guess', () => {
    const complaint = draftComplaint(fan, [burntCoil])
    const predictor = new Predictor(fan, undefined, [burntCoil])
    const attempt = new Attempt(fan, [burntCoil], on, { complaint }).operate()
    // The relay comes last, however likely it is.
    for (const id of ['F1', 'F2', 'K1']) attempt.operate({ ...on, spares: [id] })
    const others = piecesOf(fan).map(({ id }) => id)
    attempt.test(
      'B1+',
      'B1-',
      12.6,
      others.filter((id) => !id.startsWith('K1')),
    )
    attempt.conclude('K1', 'open')
    attempt.act({ type: 'repair', piece: 'K1.coil', by: 'replace' })
    attempt.operate()
    const { total, evidence } = attempt.judged(predictor)
    expect(total).toBeLessThanOrEqual(45)
    expect(evidence).toBeLessThan(0.5)
  })
})

describe('like parts that change places', () => {
  const drain = demoCircuit('van-key-off-drain')

  it('take what is wrong with them along, blown or not', () => {
    const blown: Fault = { kind: 'blown', part: 'F2', segment: 'link' }
    const attempt = new Attempt(drain, [blown], { controls: {}, detached: [] })
    const across = (fuse: string, arrangement: Arrangement) => {
      const [a, b] = ['ta', 'tb'].map((key) =>
        terminalName(
          drain.parts.find(({ id }) => id === fuse)!,
          key,
        ),
      )
      const held = { type: 'hand', red: a!, black: b! } as const
      return attempt.measure(held, 0.1, { instrument: 'ohms', arrangement }).reading.text
    }
    expect(across('F2', { controls: {}, detached: ['F2'] })).toBe('OL')
    const swapped: [string, string][] = [['F2', 'F3']]
    expect(across('F2', { controls: {}, detached: ['F2'], swapped })).not.toBe('OL')
    expect(across('F3', { controls: {}, detached: ['F3'], swapped })).toBe('OL')
    expect(across('F3', { controls: {}, detached: ['F3'] })).not.toBe('OL')
  })

  it('blow again where a short waits, and the judge sees the same board', () => {
    const short: Fault = { kind: 'shortToGround', part: 'W5', segment: 'copper', severity: 0.02 }
    const circuit = demoCircuit('van-rear-lamps')
    const attempt = new Attempt(circuit, [short], { controls: circuit.states[1]!.controls, detached: [] })
    const [one, other] = ['F1', 'F3'] as const
    attempt.operate()
    const before = attempt.bench.blown
    attempt.operate({ controls: circuit.states[1]!.controls, detached: [], swapped: [[one, other]] })
    // What had blown lies in the other's place now.
    expect(attempt.bench.blown).toEqual(expect.arrayContaining([...before]))
    const judged = attempt.judged(new Predictor(circuit, undefined, [short]))
    expect(judged.contradictions).toEqual([])
    expect(Object.keys(judged.doubts.at(-1)!).some((piece) => piece.startsWith('W5'))).toBe(true)
  })

  it.each([
    [{ swapped: [['F2', 'F1']] as [string, string][] }, 'attempt.notLike'],
    [{ spares: ['W1'] }, 'attempt.noSpare'],
    [{ swapped: [['F2', 'F3']] as [string, string][], spares: ['F2'] }, 'attempt.swappedTwice'],
  ])('%j is refused', (exchange, code) => {
    const order: Order = new Attempt(drain, [], { controls: {}, detached: [] }).order
    const arrangement = { controls: {}, detached: [], ...exchange }
    const done = perform(order, startBench(order), [], { type: 'operate', arrangement })
    expect(done).toMatchObject({ ok: false, why: { code } })
  })
})

describe('a part in the hand', () => {
  it('is held only once it is out', () => {
    const { text, signs } = ohmsInHand([], false, [])
    expect(text).toBe('–')
    expect(signs[0]!.code).toBe('instruments.apartFirst')
  })

  it('has its contacts measured while the source stays on its coil', () => {
    const contacts = (also: boolean, planted: Fault[] = []) => {
      const attempt = new Attempt(fan, planted, { ...on, detached: ['K1'] })
      const source = { instrument: 'benchRelay', settings: {}, held: { type: 'at', part: 'K1' } } as const
      return attempt.measure({ type: 'hand', red: 'K1.30', black: 'K1.87' }, 0.2, {
        instrument: 'ohms',
        also: also ? [source] : [],
      }).reading
    }
    expect(contacts(false).text).toBe('OL')
    expect(contacts(true).value).toBeLessThan(1)
    expect(contacts(true, [{ kind: 'stuckOpen', part: 'K1', segment: 'make' }]).text).toBe('OL')
    expect(contacts(true, [burntCoil]).text).toBe('OL')
  })
})
