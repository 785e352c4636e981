import { describe, expect, it } from 'vitest'
import { readCircuit } from '../editing'
import { demoCircuit } from '../../../test/demo'
import { scattered } from '.'

describe('joints with ohms of their own', () => {
  const circuit = demoCircuit('sweeper-side-harness')
  const feet = (of: typeof circuit) =>
    of.parts.flatMap((p) => (p.kind === 'stud' ? [Number(p.parameters.footOhms)] : []))

  it('follow from the seed, differ from one another, and lie within the scatter', () => {
    const one = scattered(circuit, 7)
    expect(scattered(circuit, 7)).toEqual(one)
    expect(scattered(circuit, 8)).not.toEqual(one)
    feet(one).forEach((ohms, i) => {
      expect(ohms / feet(circuit)[i]!).toBeLessThanOrEqual(1.51)
      expect(ohms / feet(circuit)[i]!).toBeGreaterThanOrEqual(0.66)
    })
    expect(readCircuit(JSON.parse(JSON.stringify(one))).ok).toBe(true)
  })

  it('leave wires, loads and fuses as they are', () => {
    const one = scattered(circuit, 7)
    const rest = (of: typeof circuit) =>
      of.parts.filter(({ kind }) => ['wire', 'lamp', 'battery'].includes(kind))
    expect(rest(one)).toEqual(rest(circuit))
  })
})
