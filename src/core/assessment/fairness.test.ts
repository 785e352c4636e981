import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Arrangement } from '../attempt'
import { stateOf } from '../attempt'
import { Belief, Predictor, type Fact } from '../diagnosis'
import { possibleFaults, type Fault } from '../faults'
import { english, speaker } from '../words'
import { ruleTexts } from './rules/registry'
import { Attempt, voltsSetup } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { drawn } from '../../../test/random'

const say = speaker({ tag: 'en-GB', texts: { ...english, ...ruleTexts } })
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
