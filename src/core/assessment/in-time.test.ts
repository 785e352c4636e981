import { describe, expect, it } from 'vitest'
import {
  arrangementOf,
  checkComplaint,
  claimText,
  complaintWords,
  draftComplaint,
  shaken,
  standingBattery,
  type Arrangement,
} from '../attempt'
import { Predictor } from '../diagnosis'
import { readFaultSpec, type Fault } from '../faults'
import { tell } from '../words'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { firstBelief } from '.'

const van = demoCircuit('van-key-off-drain')
const asleep = arrangementOf(van.states.find(({ id }) => id === 'asleep')!)
const fault = (circuit: typeof van, spec: string): Fault => {
  const found = readFaultSpec(circuit, spec)
  if (!found.ok) throw new Error(tell(found.why))
  return found.fault
}
const handed = (circuit: typeof van, planted: Fault, usual: Arrangement): Attempt =>
  new Attempt(circuit, [planted], usual, { complaint: draftComplaint(circuit, [planted]) })
const verified = (attempt: Attempt) =>
  attempt
    .judged(new Predictor(attempt.order.circuit, undefined, attempt.order.planted))
    .judgements.find(({ aspect }) => aspect === 'verification')

describe('a drain', () => {
  it('brings the customer in after hours: its amps, and what the battery can lose', () => {
    // 70 Ah, 85 %, no cranking below 20 %: 45.5 Ah. At 5 A nine hours.
    for (const [amps, hours] of [
      [5, 9.1],
      [1, 45.5],
      [0.2, 227],
    ] as const) {
      const [claim] = draftComplaint(van, [fault(van, `F2.clipOut=drain:${amps}`)])
      expect(claim, String(amps)).toMatchObject({ part: 'B1', notice: 'flat' })
      // What the sleeping modules draw beside it makes it a little less.
      expect(claim!.hours! / hours).toBeGreaterThan(0.8)
      expect(claim!.hours! / hours).toBeLessThanOrEqual(1.05)
    }
    expect(standingBattery(van)!.ampHours).toBeCloseTo(45.5, 6)
    expect(draftComplaint(van, [fault(van, 'F2.clipOut=drain:0.01')])).toEqual([])
  })

  it('is told in the driver’s words, in hours or days, and names nothing of where', () => {
    const words = (spec: string) => tell(complaintWords(van, draftComplaint(van, [fault(van, spec)]))!)
    expect(words('F2.clipOut=drain:5')).toBe('Left standing, the van battery is flat after about 9.2\u00a0h.')
    expect(words('F2.clipOut=drain:0.5')).toBe('Left standing, the van battery is flat after about 4 days.')
  })

  it('of another size by far is no hypothesis', () => {
    const planted = fault(van, 'F2.clipOut=drain:1')
    const { order } = handed(van, planted, asleep)
    const belief = firstBelief(new Predictor(van, undefined, [planted]), order)
    const drain = belief.alive.find(
      ({ hypothesis }) => hypothesis.fault?.kind === 'drain' && hypothesis.fault.part === 'F2',
    )!
    const [from, to] = belief.sizeOf(drain)!
    expect(from).toBeGreaterThan(0.3)
    expect(from).toBeLessThan(0.6)
    expect(to).toBeGreaterThan(1.7)
    expect(to).toBeLessThan(2.6)
    // What empties no battery would not have brought this customer.
    const kinds = new Set(belief.alive.map(({ hypothesis }) => hypothesis.fault?.kind))
    expect(kinds).not.toContain('highResistance')
    expect(kinds).not.toContain('open')
  })

  it('is verified by its current, with the vehicle left as the driver leaves it', () => {
    const planted = fault(van, 'F2.clipOut=drain:1')
    const clamp = { type: 'jaws' as const, round: ['W1'] }
    const first = handed(van, planted, asleep)
    first.measure({ type: 'leads', red: 'B1+', black: 'B1−' }, 12.6)
    first.measure(clamp, 0.03, { instrument: 'clamp', settings: { zero: 'zeroed' } })
    expect(verified(first)).toMatchObject({ grade: 'good', share: 1 })
    const late = handed(van, planted, asleep)
    late.measure({ type: 'leads', red: 'F2a', black: 'B1−' }, 12.6)
    late.measure(clamp, 0.03, { instrument: 'clamp', settings: { zero: 'zeroed' } })
    expect(verified(late)).toMatchObject({ share: 0.5 })
    // The key on is another matter, and looking shows nothing.
    const on = handed(van, planted, asleep)
    const run = arrangementOf(van.states.find(({ id }) => id === 'run')!)
    on.operate()
    on.measure(clamp, 0.03, { instrument: 'clamp', settings: { zero: 'zeroed' }, arrangement: run })
    expect(verified(on)).toMatchObject({ grade: 'poor', share: 0 })
  })

  it('is a fact of a battery that stores something, with its hours', () => {
    const [claim] = draftComplaint(van, [fault(van, 'F2.clipOut=drain:1')])
    expect(checkComplaint(van, [claim!])).toBeUndefined()
    expect(checkComplaint(van, [{ ...claim!, part: 'F2' }])).toMatchObject({ code: 'attempt.notFlat' })
    expect(checkComplaint(van, [{ ...claim!, hours: undefined }])).toMatchObject({ code: 'attempt.notFlat' })
    expect(tell(claimText(van, { ...claim!, hours: 24 * 7 }))).toBe('is flat after about 7 days')
  })
})

describe('what comes and goes', () => {
  const lamp = demoCircuit()
  const slack = fault(lamp, 'X1.pin=slack:1e6')
  const on = arrangementOf(lamp.states.find(({ id }) => id === 'on')!)

  it('is complained of as it is met on the road, and names no plug', () => {
    const words = tell(complaintWords(lamp, draftComplaint(lamp, [slack]))!)
    expect(words).toBe(
      'When the work lamp switch is closed, now and then, on a rough road, the work lamp stays dark.',
    )
  })

  it('leaves what is always there out of the question', () => {
    const { order } = handed(lamp, slack, on)
    const alive = firstBelief(new Predictor(lamp, undefined, [slack]), order).alive
    expect(alive.length).toBeGreaterThan(1)
    expect(new Set(alive.map(({ hypothesis }) => hypothesis.fault?.kind))).toEqual(new Set(['slack']))
  })

  it('is verified while everything is shaken, whichever way the rest of the controls is named', () => {
    const attempt = handed(lamp, slack, on)
    attempt.operate()
    attempt.operate(shaken(lamp, { ...on, controls: { S1: 'closed' }, engine: 'off' }))
    expect(verified(attempt)).toMatchObject({ grade: 'good' })
  })
})
