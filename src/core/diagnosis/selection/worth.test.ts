import { describe, expect, it } from 'vitest'
import { Belief, candidatesOf, expectedBits, Predictor, rankTests, type Fact, type TestSetup } from '..'
import { settable } from '../../circuit'
import { instrumentKeys } from '../../instruments'
import type { Fault } from '../../faults'
import { seenOn, voltsSetup } from '../../../../test/attempt'
import { demoCircuit, demoNames } from '../../../../test/demo'

const circuit = demoCircuit()
const predictor = new Predictor(circuit)
const state = { id: 'x', name: 'x', controls: { S1: 'closed' }, detached: [] }
const seen = (fault: Fault): Fact => ({ type: 'seen', state, seen: seenOn(circuit, [fault], state) })
const bench = { reached: [], out: [] }

describe('worth of a test', () => {
  const belief = Belief.of(predictor).with(seen({ kind: 'open', part: 'X2', segment: 'pin' }))
  const bits = (red: string, black: string) => expectedBits(belief, voltsSetup(predictor, state, red, black))

  it('is nothing where all that is left reads alike, and more where it parts', () => {
    expect(bits('B1+', 'B1+')).toBe(0)
    expect(bits('L1b', 'B1-')).toBeGreaterThan(0.5)
  })

  it('is ranked by bits for the minutes, places that are open already being cheap', () => {
    const [best, ...more] = rankTests(belief, instrumentKeys, bench)
    for (const other of more)
      expect(other.bits / other.minutes).toBeLessThanOrEqual(best!.bits / best!.minutes)
    const reached = circuit.parts.map((p) => p.id)
    const [open] = rankTests(belief, instrumentKeys, { ...bench, reached })
    expect(open!.bits / open!.minutes).toBeGreaterThanOrEqual(best!.bits / best!.minutes)
  })

  it('is asked of the bag alone', () => {
    const bag = ['clamp', 'volts'] as const
    for (const { setup } of rankTests(belief, bag, bench)) expect(bag).toContain(setup.instrument)
    expect(rankTests(belief, ['jumper'], bench)).toEqual([])
  })

  it('is of many instruments, each where it is used', () => {
    const used = new Set(rankTests(belief, instrumentKeys, bench).map((c) => c.setup.instrument))
    for (const key of ['volts', 'continuity', 'testLamp', 'fuseVolts', 'clamp'] as const)
      expect([...used], key).toContain(key)
  })
})

describe('a test that was made', () => {
  it.each([
    ['L1a', 'B1-', 11.2],
    ['B1-', 'L1a', -11.2],
  ])('from %s to %s is not proposed again while nothing has changed', (red, black, value) => {
    const closed = circuit.states.find((s) => s.controls.S1 === 'closed')!
    const setup = voltsSetup(predictor, { ...state, controls: closed.controls }, red, black)
    const ends = ({ place }: TestSetup) => (place.type === 'leads' ? [place.red, place.black].sort() : [])
    const isProposed = (belief: Belief): boolean =>
      rankTests(belief, ['volts'], bench).some(
        ({ setup: one }) =>
          one.state.controls.S1 === 'closed' && `${ends(one).join()}` === `${ends(setup).join()}`,
      )
    const before = Belief.of(predictor)
    expect(isProposed(before)).toBe(true)
    const after = before.with({
      type: 'measured',
      setup,
      value,
      meaningless: false,
    })
    expect(rankTests(after, ['volts'], bench).length).toBeGreaterThan(3)
    expect(isProposed(after)).toBe(false)
  })
})

describe('tests that are proposed', () => {
  it.each(demoNames)('on %s are at points that a lead reaches, in states that can be set', (name) => {
    const demo = demoCircuit(name)
    const own = new Predictor(demo)
    const inside = new Set(own.wiring.points.filter((p) => p.inside).map((p) => p.node))
    const names = new Set(demo.states.filter(settable).map((s) => s.name))
    const all = candidatesOf(own, instrumentKeys)
    expect(all.length).toBeGreaterThan(20)
    for (const { setup, state: called, arrangement } of all) {
      expect(names).toContain(called)
      expect(arrangement).not.toHaveProperty('temperature')
      if (setup.place.type === 'jaws') continue
      expect(inside.has(setup.place.red)).toBe(false)
      expect(inside.has(setup.place.black)).toBe(false)
    }
  })
})
