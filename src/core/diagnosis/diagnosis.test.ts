import { describe, expect, it } from 'vitest'
import { bestTest, clearedBy, contradiction, expectedBits, Predictor, standing, type Fact } from '.'
import { describeFault, possibleFaults, type Fault } from '../faults'
import type { Arrangement } from '../attempt'
import { Attempt, seenOn, voltsSetup } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'

const circuit = demoCircuit()
// One predictor for all: it only remembers what it has worked out.
const predictor = new Predictor(circuit)
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const stateOn = { id: 'x', name: 'x', ...on }

const seen = (fault: Fault): Fact => ({ type: 'seen', state: stateOn, seen: seenOn(circuit, [fault], on) })
function volts(fault: Fault, red: string, black = 'B1-'): Fact {
  const { reading } = new Attempt(circuit, [fault], on).measure({ type: 'leads', red, black }, 0)
  const setup = voltsSetup(predictor, stateOn, red, black)
  return { type: 'measured', setup, value: reading.value ?? Infinity, meaningless: false }
}

describe('suspects', () => {
  it('never clear the part that is really at fault, whatever is measured', () => {
    for (const fault of possibleFaults(circuit)) {
      const facts = [
        seen(fault),
        ...['F1b', 'X1b', 'L1a', 'L1b', 'X2b', 'G1c'].map((point) => volts(fault, point)),
        volts(fault, 'X2a', 'X2b'),
      ]
      const { suspects } = standing(predictor, facts)
      expect(suspects.has(fault.part), describeFault(circuit, fault)).toBe(true)
    }
  }, 60_000)

  it('hold at severities that are not on any grid', () => {
    for (const severity of [0.13, 0.9, 1.9, 4.1, 23]) {
      const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'foot', severity }
      expect(
        standing(predictor, [seen(fault), volts(fault, 'G1n'), volts(fault, 'L1b')]).suspects.has('G1'),
      ).toBe(true)
    }
  })

  it('shrink from everything to one part as a return fault is walked down', () => {
    const fault: Fault = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }
    const facts = [seen(fault)]
    expect(standing(predictor, facts).suspects.size).toBeGreaterThan(10)
    facts.push(volts(fault, 'L1a'))
    const half = standing(predictor, facts)
    expect([...half.cleared].sort()).toEqual(expect.arrayContaining(['F1', 'S1', 'W2', 'X1']))
    facts.push(volts(fault, 'X2a', 'X2b'))
    expect([...standing(predictor, facts).suspects]).toEqual(['X2'])
    expect(clearedBy(predictor, facts, 'S1')).toBe(1)
    expect(clearedBy(predictor, facts, 'X2')).toBeUndefined()
  })

  it('keep a sound circuit possible until something is wrong', () => {
    expect(standing(predictor, []).healthyPossible).toBe(true)
    expect(
      standing(predictor, [seen({ kind: 'burntOut', part: 'L1', segment: 'filament' })]).healthyPossible,
    ).toBe(false)
  })

  it('find the reading that does not fit the rest', () => {
    const fault: Fault = { kind: 'open', part: 'X1', segment: 'pin' }
    const other: Fault = { kind: 'open', part: 'G1', segment: 'foot' }
    // Seen dark, dead at the lamp as with X1 open, but 12 V on the return as with the ground open.
    const facts = [seen(fault), volts(fault, 'L1a'), volts(fault, 'X1b'), volts(other, 'L1b')]
    expect(standing(predictor, facts).survivors).toHaveLength(0)
    expect(contradiction(predictor, facts)).toEqual([3])
    expect(contradiction(predictor, facts.slice(0, 3))).toEqual([])
  })
})

describe('worth of a test', () => {
  it('is nothing where all hypotheses read alike, and more where they part', () => {
    const { survivors } = standing(predictor, [seen({ kind: 'open', part: 'X2', segment: 'pin' })])
    const bits = (red: string, black: string) =>
      expectedBits(predictor, survivors, voltsSetup(predictor, stateOn, red, black))
    expect(bits('B1+', 'B1+')).toBe(0)
    expect(bits('L1b', 'B1-')).toBeGreaterThan(0.8)
    const best = bestTest(predictor, survivors, circuit.states)!
    expect(best.bits).toBeGreaterThanOrEqual(bits('L1b', 'B1-'))
  })
})
