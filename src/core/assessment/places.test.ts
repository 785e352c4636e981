import { describe, expect, it } from 'vitest'
import { shaken, type RepairKey } from '../attempt'
import { Predictor } from '../diagnosis'
import { readFaultSpec, type Fault } from '../faults'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { complaintOf } from '../../../test/students'
import { tell } from '../words'

const none = { controls: {}, detached: [] }

function begin(name: string, spec: string): { attempt: Attempt; predictor: Predictor; fault: Fault } {
  const circuit = demoCircuit(name)
  const found = readFaultSpec(circuit, spec)
  if (!found.ok) throw new Error(tell(found.why))
  const { arrangement, complaint } = complaintOf(circuit, [found.fault]) ?? {
    arrangement: none,
    complaint: [],
  }
  const attempt = new Attempt(circuit, [found.fault], arrangement, { complaint }).operate()
  return { attempt, predictor: new Predictor(circuit), fault: found.fault }
}

const repair = (attempt: Attempt, piece: string, by: RepairKey) => {
  const step = attempt.act({ type: 'repair', piece, by })
  return step.type === 'repair' && step.did?.cured
}

describe('a fault that joins two pieces', () => {
  const spec = 'W3.copper=shortBetween:0.05&W6'
  const work = (piece: string, by: RepairKey) => {
    const { attempt, predictor } = begin('sweeper-side-harness', spec)
    attempt.test('B1+', 'B1-', 12.6, []).conclude(piece, 'shortBetween')
    const cured = repair(attempt, piece, by)
    attempt.operate()
    const { judgements } = attempt.judged(predictor)
    const of = (aspect: string) => judgements.find((j) => j.aspect === aspect)!
    return { cured, conclusion: of('conclusion'), repair: of('repair') }
  }

  it('is one place: either wire names it, and either repair that parts them cures it', () => {
    const [one, other] = [work('W3', 'insulate'), work('W6', 'insulate')]
    expect([one.cured, other.cured]).toEqual([true, true])
    expect(other.conclusion.share).toBeCloseTo(one.conclusion.share!, 9)
    expect(other.conclusion.verdict).toEqual(one.conclusion.verdict)
    expect(other.repair.share).toBe(one.repair.share)
    expect(work('W6', 'replace').cured).toBe(true)
    // The partner is no rival.
    expect(JSON.stringify(one.conclusion.reason)).not.toContain('"rival":"W6"')
  })

  it('is not cured on a wire that it does not touch', () => {
    const { attempt } = begin('sweeper-side-harness', spec)
    attempt.test('B1+', 'B1-', 12.6, [])
    expect(repair(attempt, 'W5', 'insulate')).toBe(false)
  })
})

describe('a slack terminal', () => {
  it('that was unplugged and plugged in again behaves, and is cured by a new terminal and not for nothing', () => {
    const { attempt, predictor } = begin('sweeper-work-lamp', 'X1.pin=slack:5')
    const on = { controls: { S1: 'closed' }, detached: [] }
    attempt.measure({ type: 'leads', red: 'X1a', black: 'X1b' }, 0.01, { arrangement: on })
    attempt.measure({ type: 'leads', red: 'X1a', black: 'B1-' }, 12.5, {
      arrangement: { ...on, detached: ['X1'] },
    })
    attempt.operate(on)
    attempt.measure({ type: 'leads', red: 'X1a', black: 'X1b' }, 0.01, { arrangement: on })
    attempt.conclude('X1', 'slack')
    expect(repair(attempt, 'X1', 'reseat')).toBe(false)
    expect(repair(attempt, 'X1', 'terminal')).toBe(true)
    attempt.operate(shaken(attempt.order.circuit, on))
    const judged = attempt.judged(predictor).judgements.find((j) => j.aspect === 'repair')!
    expect(judged.verdict.code).not.toBe('assessment.notCured')
    expect(judged.share).toBeGreaterThan(0.5)
  })
})

describe('a unit of the parts counter', () => {
  const work = (name: string, spec: string, piece: string, red: string, black: string) => {
    const { attempt, predictor, fault } = begin(name, spec)
    attempt.test('B1+', 'B1-', 12, []).test(red, black, 10, [])
    attempt.conclude(piece, fault.kind)
    const cured = repair(attempt, piece, 'replace')
    const judged = attempt.judged(predictor).judgements.find((j) => j.aspect === 'conclusion')!
    return { cured, judged, text: tell(judged.reason) }
  }

  it('can be named and replaced as one', () => {
    const whole = work('van-starting', 'MS1.motor=burntOut', 'MS1', 'MS1.30', 'MS1.31')
    const half = work('van-starting', 'MS1.motor=burntOut', 'MS1.motor', 'MS1.30', 'MS1.31')
    expect(whole.cured).toBe(true)
    expect(whole.judged.share).toBeGreaterThanOrEqual(half.judged.share!)
    expect(whole.text).not.toContain('is asked for')
  })

  it('comes whole: a new one cures the other half too', () => {
    const { attempt } = begin('van-starting', 'MS1.motor=burntOut')
    expect(repair(attempt, 'MS1.solenoid', 'replace')).toBe(true)
  })

  it('does not come with the socket that it stands in', () => {
    const { attempt } = begin('van-cooling-fan', 'K1.pin87=open')
    expect(repair(attempt, 'K1.coil', 'replace')).toBe(false)
    const named = work('van-cooling-fan', 'K1.pin87=open', 'K1', 'K1.30', 'K1.87')
    expect(named.text).toContain('The piece of K1 is asked for')
  })
})
