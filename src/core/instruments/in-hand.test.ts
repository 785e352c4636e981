import { describe, expect, it } from 'vitest'
import type { Fault } from '../faults'
import { demoCircuit } from '../../../test/demo'
import { Attempt } from '../../../test/attempt'
import { Predictor } from '../diagnosis'
import { tell } from '../words'

/** Ohms of a part that is out, held by its own ends. */
function ohmsOf(name: string, part: string, [red, black]: [string, string], planted: Fault[] = []) {
  const circuit = demoCircuit(name)
  const arrangement = { controls: circuit.states[0]!.controls, detached: [part] }
  const attempt = new Attempt(circuit, planted, arrangement)
  const { reading } = attempt.measure({ type: 'leads', red, black }, 'OL', { instrument: 'ohms' })
  return { ...reading, attempt, predictor: new Predictor(circuit) }
}

describe('a part in the hand', () => {
  it.each([
    ['van-cooling-fan', 'K1', ['K1.86', 'K1.85'], 80, 100],
    ['van-cooling-fan', 'M1', ['M1a', 'M1b'], 0.1, 3],
    ['sweeper-heated-step', 'E1', ['E1a', 'E1b'], 0.5, 20],
    ['sweeper-work-lamp', 'L1', ['L1a', 'L1b'], 0.2, 1],
    ['sweeper-work-lamp', 'F1', ['F1ta', 'F1tb'], 0, 0.6],
    ['van-starting', 'ST1', ['ST1l', 'ST1b'], 0, 0.6],
    ['van-starting', 'MS1', ['MS1.50', 'MS1.31'], 0.3, 1],
  ] as const)('%s: %s is measured by itself', (name, part, ends, least, most) => {
    const { value, text, signs } = ohmsOf(name, part, [...ends])
    expect(value, text).toBeGreaterThanOrEqual(least)
    expect(value, text).toBeLessThanOrEqual(most)
    expect(signs.map(({ code }) => code)).not.toContain('instruments.live')
  })

  it('is what it is with the circuit on: nothing of it is live', () => {
    const circuit = demoCircuit('van-cooling-fan')
    const attempt = new Attempt(circuit, [], { controls: { S1: 'closed' }, detached: ['M1'] })
    const step = attempt.measure({ type: 'leads', red: 'M1a', black: 'M1b' }, 0.6, { instrument: 'ohms' })
    expect(step.reading.signs.map(({ code }) => code)).not.toContain('instruments.live')
    const judged = attempt.judged(new Predictor(circuit)).judgements
    expect(judged.find((j) => j.aspect === 'prediction')!.verdict.code).toBe('assessment.right')
    expect(judged.map(({ verdict }) => tell(verdict)).join()).not.toContain('live')
  })

  it('shows its own fault, and not that of what it stood in', () => {
    const burnt: Fault = { kind: 'open', part: 'K1', segment: 'coil' }
    // What is left is the resistor across the coil.
    expect(ohmsOf('van-cooling-fan', 'K1', ['K1.86', 'K1.85'], [burnt]).value).toBeGreaterThan(600)
    const socket: Fault = { kind: 'open', part: 'K1', segment: 'pin86' }
    expect(ohmsOf('van-cooling-fan', 'K1', ['K1.86', 'K1.85'], [socket]).value).toBeGreaterThan(80)
  })

  it('is not what is left of the circuit: an empty holder, a plug pulled apart and the plug of a load stay open', () => {
    expect(ohmsOf('sweeper-work-lamp', 'F1', ['F1a', 'F1b']).text).toBe('OL')
    expect(ohmsOf('sweeper-work-lamp', 'X1', ['X1a', 'X1b']).text).toBe('OL')
    const circuit = demoCircuit('sweeper-work-lamp')
    const attempt = new Attempt(circuit, [], { controls: { S1: 'closed' }, detached: ['L1'] })
    // Volts at the plug of what is unplugged are the circuit's.
    const { reading } = attempt.measure({ type: 'leads', red: 'L1a', black: 'L1b' }, 12.6)
    expect(reading.value).toBeGreaterThan(12)
  })
})
