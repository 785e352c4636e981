import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { asState, judgeAttempt, measure, observe, recordReading, type Arrangement, type Step } from '.'
import { Predictor, standing, type Fact } from '../diagnosis'
import { possibleFaults, type Fault } from '../faults'
import { demoCircuit } from '../../../test/demo'

const circuit = demoCircuit('sweeper-heated-step')
const predictor = new Predictor(circuit)
const faults = possibleFaults(circuit)
const points = predictor.wiring.points
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }

/** Where a lead may go, by number. */
const lead = fc.nat(points.length - 1)
const probes = fc.array(fc.tuple(lead, lead), { minLength: 1, maxLength: 4 })

function test(
  fault: Fault,
  red: number,
  black: number,
  dial: 'volts' | 'ohms' | 'continuity' = 'volts',
  arrangement = on,
): Step {
  const taken = measure(predictor, [fault], arrangement, dial, points[red]!.name, points[black]!.name)
  if (!taken.ok) throw new Error(taken.message)
  return {
    type: 'test',
    arrangement,
    function: dial,
    red: taken.red,
    black: taken.black,
    prediction: { type: 'value', value: 0 },
    reading: recordReading(taken.reading),
  }
}

describe('judging is fair', () => {
  it('to one who strikes out exactly what the readings clear: never too early, nothing missed, no contradiction', () => {
    fc.assert(
      fc.property(fc.nat(faults.length - 1), probes, (f, leads) => {
        const fault = faults[f]!
        const seen = observe(circuit, [fault], on)!
        const steps: Step[] = [{ type: 'operate', arrangement: on, seen }]
        const facts: Fact[] = [
          {
            type: 'seen',
            state: asState(on),
            seen: Object.fromEntries(Object.entries(seen).map(([id, n]) => [id, n.key])),
          },
        ]
        for (const [red, black] of leads) {
          const step = test(fault, red, black)
          if (step.type !== 'test') return
          steps.push(step)
          facts.push({
            type: 'measured',
            setup: {
              state: asState(on),
              function: 'volts',
              red: points[red]!.node,
              black: points[black]!.node,
            },
            value: step.reading.value!,
            meaningless: false,
          })
          steps.push({
            type: 'infer',
            cleared: [...standing(predictor, facts).cleared],
            suspect: [],
            note: '',
          })
        }
        const judged = judgeAttempt(predictor, [fault], steps)
        const verdicts = judged.judgements.filter((j) => j.aspect === 'inference').map((j) => j.verdict)
        expect(verdicts).not.toContain('too early')
        expect(verdicts).not.toContain('missed')
        expect(judged.contradictions).toEqual([])
        expect(judged.suspects[judged.suspects.length - 1]).toContain(fault.part)
        expect(judged.marks.find((m) => m.aspect === 'inference')).toMatchObject({ points: 30, of: 30 })
      }),
      { numRuns: 12 },
    )
  }, 60_000)

  it('and strict to one who strikes out the part at fault, whatever was measured', () => {
    fc.assert(
      fc.property(fc.nat(faults.length - 1), lead, lead, (f, red, black) => {
        const fault = faults[f]!
        const steps: Step[] = [
          test(fault, red, black),
          { type: 'infer', cleared: [fault.part], suspect: [], note: '' },
        ]
        const verdicts = judgeAttempt(predictor, [fault], steps).judgements.filter(
          (j) => j.aspect === 'inference',
        )
        expect(verdicts.some((v) => v.verdict === 'too early' && v.reason.startsWith(fault.part))).toBe(true)
      }),
      { numRuns: 12 },
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
        const fault = faults[f]!
        const steps = list.flatMap((s): Step[] => {
          switch (s.do) {
            case 'operate':
              return [{ type: 'operate', arrangement: s.a, seen: observe(circuit, [fault], s.a)! }]
            case 'test':
              return [test(fault, s.red, s.black, s.dial, s.a)]
            case 'infer':
              return [{ type: 'infer', cleared: s.cleared, suspect: s.suspect, note: '' }]
            case 'conclude':
              return [{ type: 'conclude', part: s.part, kind: s.kind, sure: 50, note: '' }]
          }
        })
        const judged = judgeAttempt(predictor, [fault], steps)
        expect(judged.total).toBeGreaterThanOrEqual(0)
        expect(judged.total).toBeLessThanOrEqual(judged.of)
        expect(judged.suspects).toHaveLength(steps.length)
        for (const j of judged.judgements) {
          expect(steps[j.step]).toBeDefined()
          expect(j.reason).toMatch(/\S.*[.!?]$/)
        }
      }),
      { numRuns: 12 },
    )
  }, 60_000)
})
