import { describe, expect, it } from 'vitest'
import { Belief, Predictor, type Fact } from '..'
import { demoCircuit } from '../../../../test/demo'
import { seenOn, voltsSetup } from '../../../../test/attempt'
import type { Fault } from '../../faults'

const circuit = demoCircuit('sweeper-work-lamp')
const predictor = new Predictor(circuit)
const state = { id: 'x', name: 'x', controls: { S1: 'closed' }, detached: [] }
const bad: Fault = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1 }
const seen = (change: object = {}): Fact => {
  const at = { ...state, ...change }
  return { type: 'seen', state: at, seen: seenOn(circuit, [bad], at) }
}
const read = (red: string, black: string, value: number): Extract<Fact, { type: 'measured' }> => ({
  type: 'measured',
  setup: voltsSetup(predictor, state, red, black),
  value,
  meaningless: false,
})
const after = (...facts: readonly Fact[]): Belief =>
  facts.reduce((belief, fact) => belief.with(fact), Belief.of(predictor))

/** How many stand for the resistances that are left, and how many are left. */
const resistances = (belief: Belief): readonly [number, number] => {
  const of = (list: Belief['alive']) =>
    list.filter((one) => one.hypothesis.fault?.kind === 'highResistance').length
  return [of(belief.distinct), of(belief.alive)]
}

describe('what lies in series', () => {
  it('is alike while nobody has measured: one stands for the whole way from post to post', () => {
    const [distinct, alive] = resistances(after(seen()))
    expect(alive).toBeGreaterThan(15)
    expect(distinct).toBe(1)
  })

  it('is told apart by where leads stand: one for the way between them, one for the rest', () => {
    // An ohmmeter on a live circuit clears nothing, and still it has stood there.
    const [distinct, alive] = resistances(after({ ...read('L1b', 'B1-', 0), meaningless: true }))
    expect(alive).toBeGreaterThan(15)
    expect(distinct).toBe(2)
    const lamp = after(seen(), read('L1f', 'L1g', 8))
    expect(resistances(lamp)[1]).toBeGreaterThan(15)
    expect(resistances(lamp)[0]).toBeLessThan(3)
  })

  it('is not alike any more beside a part that is out, moved or swapped', () => {
    const moved = resistances(after(seen({ wiggled: ['X2'] })))
    expect(moved[0]).toBeGreaterThan(2)
    expect(moved[0]).toBeLessThan(moved[1])
    expect(resistances(after(seen({ detached: ['X2'] })))[0]).toBeGreaterThan(2)
  })

  it('hangs on a past that is not known: after a state that was entered from another none is alike', () => {
    const [distinct, alive] = resistances(after(seen({ after: circuit.states[0]!.id })))
    expect(distinct).toBe(alive)
  })
})
