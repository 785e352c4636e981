import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Arrangement, stateOf } from '../attempt'
import { Belief, Predictor, type Fact } from '../diagnosis'
import { possibleFaults, type Fault } from '../faults'
import { tell as say } from '../words'
import { Attempt, voltsSetup } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { drawn } from '../../../test/random'

const circuit = demoCircuit('sweeper-heated-step')
const predictor = new Predictor(circuit)
const faults = possibleFaults(circuit)
const points = predictor.wiring.points
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }

/** Where a lead may go, by number. */
const lead = fc.nat(points.length - 1)
const probes = fc.array(fc.tuple(lead, lead), { minLength: 1, maxLength: 4 })

const name = (point: number) => points[point]!.name
const attempt = (fault: Fault) => new Attempt(circuit, [fault], on)
const leads = (red: number, black: number) => ({ type: 'leads', red: name(red), black: name(black) }) as const

describe('judging is fair', () => {
  it('to one who strikes out exactly what the readings clear: never early, no contradiction, full marks for it', () => {
    fc.assert(
      fc.property(fc.nat(faults.length - 1), probes, (f, held) => {
        const fault = faults[f]!
        const work = attempt(fault)
        const step = work.act({ type: 'operate', arrangement: on })
        let belief = Belief.of(predictor)
        if (step.type === 'operate')
          belief = belief.with({ type: 'seen', state: stateOf(on), seen: step.seen })
        for (const [red, black] of held) {
          const { reading } = work.measure(leads(red, black), 0)
          const setup = voltsSetup(predictor, stateOf(on), name(red), name(black))
          const fact: Fact = { type: 'measured', setup, value: reading.value!, meaningless: false }
          belief = belief.with(fact)
          work.infer(predictor.suspectable.filter((piece) => belief.doubt(piece) === 0))
        }
        const judged = work.judged(predictor)
        const verdicts = judged.judgements.filter((j) => j.aspect === 'inference').map((j) => say(j.verdict))
        for (const wrong of ['too early', 'early', 'the fault is struck out'])
          expect(verdicts).not.toContain(wrong)
        expect(judged.contradictions).toEqual([])
        const last = judged.doubts[judged.doubts.length - 1]!
        expect(Object.keys(last).some((piece) => piece.split('.')[0] === fault.part)).toBe(true)
      }),
      drawn(6),
    )
  }, 60_000)

  it('and strict to one who strikes out the part at fault, whatever was measured', () => {
    fc.assert(
      fc.property(fc.nat(faults.length - 1), lead, lead, (f, red, black) => {
        const fault = faults[f]!
        const work = attempt(fault)
        work.measure(leads(red, black), 0)
        const other = fault.other?.split('.')[0]
        const { judgements } = work.infer([fault.part, ...(other ? [other] : [])]).judged(predictor)
        const verdicts = judgements.filter((j) => j.aspect === 'inference')
        expect(verdicts.some((v) => say(v.verdict) === 'the fault is struck out')).toBe(true)
      }),
      drawn(6),
    )
  }, 60_000)
})

describe('honest readings that once excluded what gave them', () => {
  /** The doubts after all steps, of readings that must not contradict each other. */
  const doubtsOf = (work: Attempt, name: string) => {
    const judged = work.judged(new Predictor(demoCircuit(name)))
    expect(judged.contradictions).toEqual([])
    return judged.doubts[judged.doubts.length - 1]!
  }

  it('a switch that leaks, while the relay that it feeds lets go a little further on', () => {
    const name = 'gritter-spinner'
    const leaky: Fault = { kind: 'leaky', part: 'S1', segment: 'contacts', severity: 100 }
    const work = new Attempt(demoCircuit(name), [leaky], { controls: {}, detached: [] }).operate()
    work.measure({ type: 'leads', red: 'K1.85', black: 'B1-' }, 0)
    work.measure({ type: 'leads', red: 'B1+', black: 'K1.86' }, 25)
    expect(doubtsOf(work, name).S1).toBeGreaterThan(0.5)
  })

  it('a touch of supply that dims a lamp only in a sliver of its sizes, asked of boards that do not know its size', () => {
    const name = 'van-rear-lamps'
    const touch: Fault = { kind: 'shortToSupply', part: 'W7', segment: 'copper', severity: 0.05 }
    const both = { controls: { S1: 'closed', PB1: 'pressed' }, detached: [] }
    const work = new Attempt(demoCircuit(name), [touch], both).operate()
    // Hardly likely, and not impossible.
    expect(doubtsOf(work, name)).toHaveProperty('W7')
  })

  it('a short behind resistors: the new fuse holds at a slow step, goes at full speed, and is gone after it', () => {
    const name = 'van-cab-blower'
    const short: Fault = { kind: 'shortToGround', part: 'W3', segment: 'copper', severity: 0.02 }
    const [slow, fast] = ['S1', 'S3'].map((id) => ({ controls: { [id]: 'closed' }, detached: [] }))
    const work = new Attempt(demoCircuit(name), [short], slow!).operate()
    const fuse = { type: 'leads', red: 'F1ta', black: 'F1tb' } as const
    work.measure(fuse, 0.01)
    work.act({ type: 'repair', piece: 'F1.fuse', by: 'replace' })
    work.measure(fuse, 0.01)
    expect(work.bench.blown).toEqual([])
    expect(doubtsOf(work, name).W3).toBeGreaterThan(0)
    work.operate(fast)
    work.operate(slow)
    work.measure(fuse, 12.6)
    expect(work.bench.blown).toEqual(['F1'])
    expect(doubtsOf(work, name).W3).toBeGreaterThan(0)
  })
})

describe('judging holds up', () => {
  const arrangement = fc.record({
    controls: fc.constantFrom<Record<string, string>[]>({ S1: 'open' }, { S1: 'closed' }),
    detached: fc.subarray(['F1', 'X1', 'E1', 'ST1']),
  })
  const ids = circuit.parts.map((p) => p.id)

  it('over any order of steps: a mark between nothing and all, every judgement on a step that is there', () => {
    const anyStep = fc.oneof(
      arrangement.map((a) => ({ do: 'operate' as const, a })),
      fc
        .tuple(
          arrangement,
          fc.constantFrom('volts' as const, 'ohms' as const, 'continuity' as const),
          lead,
          lead,
        )
        .map(([a, dial, red, black]) => ({ do: 'test' as const, a, dial, red, black })),
      fc
        .tuple(fc.subarray(ids), fc.subarray(ids))
        .map(([cleared, suspect]) => ({ do: 'infer' as const, cleared, suspect })),
      fc
        .tuple(fc.constantFrom(...ids), fc.constantFrom(...faults.map((f) => f.kind)))
        .map(([part, kind]) => ({ do: 'conclude' as const, part, kind })),
    )
    fc.assert(
      fc.property(fc.nat(faults.length - 1), fc.array(anyStep, { maxLength: 6 }), (f, list) => {
        const work = attempt(faults[f]!)
        for (const s of list) {
          // What the order of the work does not allow is not part of an attempt.
          try {
            if (s.do === 'operate') work.operate(s.a)
            else if (s.do === 'test')
              work.measure(leads(s.red, s.black), 0, { instrument: s.dial, arrangement: s.a })
            else if (s.do === 'infer') work.infer(s.cleared, s.suspect)
            else work.conclude(s.part, s.kind)
          } catch {
            continue
          }
        }
        const judged = work.judged(predictor)
        expect(judged.total).toBeGreaterThanOrEqual(0)
        expect(judged.total).toBeLessThanOrEqual(judged.of)
        expect(judged.suspects).toHaveLength(work.steps.length)
        for (const j of judged.judgements) {
          expect(work.steps[j.step]).toBeDefined()
          expect(say(j.reason)).toMatch(/\S.*[.!?]$/)
        }
      }),
      drawn(5),
    )
  }, 60_000)
})
