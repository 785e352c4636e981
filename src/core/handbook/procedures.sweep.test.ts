import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { checkFault } from '../faults'
import { tell } from '../words'
import { cautionKeys, endOf, outcomeOf, procedures, WorkedCircuit, walkThrough, type Procedure } from '.'

const exampleOf = ({ example }: Procedure, faulted: boolean) => {
  const circuit = demoCircuit(example.circuit)
  const state = circuit.states.find(({ id }) => id === example.state)!
  return new WorkedCircuit(circuit, faulted ? example.faults : [], state, example.path)
}
const each = procedures.map((one) => [one.title, one] as const)

describe('procedures', () => {
  it.each(each)('%s: a sound circuit is found sound', (_, procedure) => {
    const worked = exampleOf(procedure, false)
    expect(endOf(walkThrough(procedure, worked), worked).end).toBe('sound')
  })

  it.each(each)('%s: what is planted in its example is among what it ends with', (_, procedure) => {
    const worked = exampleOf(procedure, true)
    const walked = walkThrough(procedure, worked)
    const { end, parts } = endOf(walked, worked)
    expect(end, walked.map(({ step, outcome }) => `${step.key} ${outcome}`).join(', ')).toBe('found')
    expect(parts).toContain(procedure.example.faults[0]!.part)
    // It says less than everything: a side of the path at most.
    expect(new Set(parts).size).toBeLessThan(0.6 * worked.circuit.parts.length)
  })

  it.each(each)(
    '%s is whole: every step is reached from another, every way leads on, its links exist',
    (_, p) => {
      const keys = p.steps.map(({ key }) => key)
      expect(new Set(keys).size).toBe(keys.length)
      const reached = new Set([keys[0]])
      for (const { outcomes } of p.steps) {
        expect(outcomes.length).toBeGreaterThan(0)
        for (const { next } of outcomes) {
          if ('step' in next) {
            expect(keys).toContain(next.step)
            reached.add(next.step)
          } else if (next.then) expect(procedures.map(({ key }) => key)).toContain(next.then)
        }
      }
      expect([...reached].sort()).toEqual([...keys].sort())
      for (const key of p.cautions) expect(cautionKeys).toContain(key)
      const { example } = p
      const circuit = demoCircuit(example.circuit)
      expect(circuit.states.map(({ id }) => id)).toContain(example.state)
      expect(p.paths(circuit)).toContain(exampleOf(p, true).walk.path.id)
      for (const fault of example.faults) expect(checkFault(circuit, fault)).toBeUndefined()
    },
  )

  it.each(demoNames)(
    'fill in numbers on %s wherever they fit, in every state, without an end that is none',
    (name) => {
      const circuit = demoCircuit(name)
      for (const procedure of procedures)
        for (const path of procedure.paths(circuit))
          for (const state of circuit.states) {
            const worked = new WorkedCircuit(circuit, [], state, path)
            for (const step of procedure.steps) {
              const got = step.reads?.(worked) ?? []
              for (const shown of got) {
                expect(tell(shown.what)).not.toMatch(/^handbook\.|undefined/)
                if (shown.word) expect(tell(shown.word)).not.toMatch(/^handbook\.|undefined/)
                else expect(shown.value === undefined || Number.isFinite(shown.value)).toBe(true)
              }
              expect(outcomeOf(step, got, worked)).toBeLessThan(step.outcomes.length)
            }
            walkThrough(procedure, worked)
          }
    },
  )
})
