import { describe, expect, it } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { movableParts, shaken, whatShows, type Arrangement } from '../attempt'
import { Predictor } from '../diagnosis'
import { checkFault, describeFault, readFaultSpec, type Fault } from '../faults'
import { tell } from '../words'
import { aftermath } from './solved'

const lamp = demoCircuit('sweeper-work-lamp')
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const broken: Fault = { kind: 'open', part: 'W4', segment: 'copper', moving: true }
const chafed: Fault = {
  kind: 'shortToGround',
  part: 'W4',
  segment: 'copper',
  severity: 0.02,
  at: 0.3,
  moving: true,
}

const volts = (planted: Fault[], wiggled?: string[]) =>
  new Attempt(lamp, planted, { ...on, ...(wiggled && { wiggled }) }).measure(
    { type: 'leads', red: 'L1a', black: 'B1-' },
    12,
  ).reading.value!

describe('a break that opens when the wire is bent', () => {
  it('is there while its own wire is moved, or everything is, and at no other time', () => {
    expect(volts([broken])).toBeGreaterThan(12)
    expect(volts([broken], ['W3'])).toBeGreaterThan(12)
    expect(volts([broken], ['W4'])).toBeLessThan(0.1)
    expect(volts([broken], shaken(lamp, on).wiggled)).toBeLessThan(0.1)
  })

  it('is complained of on a rough road, and found by moving one wire after the other', () => {
    expect(movableParts(lamp)).toContain('W4')
    const [shown] = [...whatShows(lamp, [broken])]
    expect(shown!.state.wiggled?.length).toBeGreaterThan(0)
    const attempt = new Attempt(lamp, [broken], on, { complaint: [...shown!.complaint] }).operate()
    attempt.operate({ ...on, wiggled: ['W3'] }).operate({ ...on, wiggled: ['W4'] })
    const judged = attempt.judged(new Predictor(lamp, undefined, [broken]))
    expect(judged.contradictions).toEqual([])
    expect(judged.doubts.at(-1)!.W4).toBeGreaterThan(0.9)
  })

  it('is written with its movement, and refused where nothing can come and go', () => {
    expect(readFaultSpec(lamp, 'W4=open~')).toEqual({ ok: true, fault: broken })
    expect(tell(describeFault(lamp, broken))).toContain('only while it is moved')
    expect(
      checkFault(lamp, { kind: 'burntOut', part: 'L1', segment: 'filament', moving: true }),
    ).toMatchObject({
      code: 'faults.cannotMove',
    })
  })
})

describe('a chafe that touches on the road', () => {
  it('has blown the fuse, and leaves the wire whole while nobody moves it', () => {
    expect([...aftermath(lamp, [chafed])]).toEqual(['F1'])
    const attempt = new Attempt(lamp, [chafed], on)
    attempt.act({ type: 'renew', fuse: 'F1' })
    expect(attempt.measure({ type: 'leads', red: 'L1a', black: 'B1-' }, 12).reading.value).toBeGreaterThan(12)
    attempt.operate({ ...on, wiggled: ['W4'] })
    expect(attempt.bench.blown).toContain('F1')
  })
})

describe('a clamp at any spot of a wire', () => {
  const still: Fault = { ...chafed, moving: undefined }
  const out = { ...on, detached: ['L1'] }
  const amps = (spot: string) => {
    const attempt = new Attempt(lamp, [still], out)
    const lit = { instrument: 'loadLamp', settings: {}, held: { type: 'inPlaceOf', part: 'F1' } } as const
    attempt.measure({ type: 'jaws', round: [spot] }, 0, { instrument: 'clamp', also: [lit] })
    const judged = attempt.judged(new Predictor(lamp, undefined, [still]))
    const last = attempt.steps.at(-1)!
    return { amps: last.type === 'test' ? last.reading.value! : NaN, judged }
  }

  it('reads the short’s current before the place that touches, and none behind it', () => {
    const [before, behind] = [amps('W4@10'), amps('W4@60')]
    expect(before.amps).toBeGreaterThan(3)
    expect(Math.abs(behind.amps)).toBeLessThan(0.05)
    expect([...before.judged.contradictions, ...behind.judged.contradictions]).toEqual([])
    expect(behind.judged.doubts.at(-1)!.W4 ?? 0).toBeGreaterThan(0.02)
  })

  it.each(['W4@', 'W4@101', 'W4@x'])('%s is no spot', (spot) => {
    expect(() => amps(spot)).toThrow(/no measuring place/)
  })
})
