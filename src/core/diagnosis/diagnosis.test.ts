import { describe, expect, it } from 'vitest'
import { bestTest, clearedBy, contradiction, expectedBits, Predictor, standing, type Fact } from '.'
import { describeFault, possibleFaults, type Fault } from '../faults'
import { measure, observe, type Arrangement } from '../assessment'
import { demoCircuit } from '../../../test/demo'

const circuit = demoCircuit()
// One predictor for all: it only remembers what it has worked out.
const predictor = new Predictor(circuit)
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const stateOn = { id: 'x', name: 'x', ...on }

function seen(fault: Fault): Fact {
  const notices = observe(circuit, [fault], on)!
  return {
    type: 'seen',
    state: stateOn,
    seen: Object.fromEntries(Object.entries(notices).map(([id, n]) => [id, n.key])),
  }
}
function volts(fault: Fault, red: string, black = 'B1-'): Fact {
  const taken = measure(predictor, [fault], on, 'volts', red, black)
  if (!taken.ok) throw new Error(taken.message)
  const node = (name: string) => predictor.wiring.find(name)!.node
  return {
    type: 'measured',
    setup: { state: stateOn, function: 'volts', red: node(red), black: node(black) },
    value: taken.reading.value ?? Infinity,
    meaningless: false,
  }
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
    const post = predictor.wiring.find('B1+')!.node
    const lamp = predictor.wiring.find('L1b')!.node
    const bits = (red: number, black: number) =>
      expectedBits(predictor, survivors, { state: stateOn, function: 'volts', red, black })
    expect(bits(post, post)).toBe(0)
    expect(bits(lamp, 0)).toBeGreaterThan(0.8)
    const best = bestTest(predictor, survivors, circuit.states)!
    expect(best.bits).toBeGreaterThanOrEqual(bits(lamp, 0))
  })
})
