import { describe, expect, it } from 'vitest'
import { Predictor } from '../diagnosis'
import { soundCircuit, type Arrangement } from '../attempt'
import { followBlindly, practiceVerdicts, defaultRubric } from '.'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { tell } from '../words'

const circuit = demoCircuit('sweeper-work-lamp')
const predictor = new Predictor(circuit)
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const off: Arrangement = { controls: { S1: 'open' }, detached: [] }
const claimed = [{ arrangement: on, part: 'L1', notice: 'dim' }]
const order = (planted: ConstructorParameters<typeof Attempt>[1] = []) =>
  new Attempt(circuit, planted, on, { complaint: claimed }).operate()
const sound = (attempt: Attempt) => {
  attempt.act({ type: 'conclude', piece: soundCircuit, kind: soundCircuit, sure: 90, note: '' })
  const judged = attempt.judged(predictor)
  const of = (aspect: string) => judged.judgements.find((j) => j.aspect === aspect)!
  return { ...judged, conclusion: of('conclusion'), repair: of('repair'), verification: of('verification') }
}
const proved = (attempt: Attempt) =>
  attempt
    .test('B1+', 'B1-', 12.5, [])
    .test('B1+', 'L1f', 0.3, ['F1', 'W1', 'W2', 'W3', 'S1', 'X1', 'W4'])
    .test('L1f', 'L1g', 11.9, ['F1', 'W1', 'W2', 'W3', 'S1', 'X1', 'W4', 'L1'])
    .test('L1g', 'B1-', 0.15, ['F1', 'W1', 'W2', 'W3', 'S1', 'X1', 'W4', 'L1', 'X2', 'W5', 'G1'])

describe('an order in which nothing is wrong', () => {
  it('is concluded as electrically sound, for what was proved under load in the state complained of', () => {
    const { conclusion, repair, verification, total, contradictions } = sound(proved(order()))
    expect(conclusion).toMatchObject({ share: 1, grade: 'good' })
    expect(conclusion.verdict.code).toBe('assessment.proven')
    expect(repair).toMatchObject({ share: 1 })
    expect(verification.share).toBe(1)
    expect(contradictions).toEqual([])
    expect(total).toBeGreaterThan(85)
  })

  it('is worth little where it is only said', () => {
    const said = sound(order().test('B1+', 'B1-', 12.5, []))
    expect(said.conclusion.share).toBeLessThan(0.4)
    expect(tell(said.conclusion.reason)).toContain('not yet shown')
    expect(said.total).toBeLessThan(45)
  })

  it('is not proved with the circuit off', () => {
    const attempt = order()
    for (const [red, black] of [
      ['B1+', 'L1f'],
      ['L1g', 'B1-'],
    ] as const)
      attempt.test(red, black, 0, [], { arrangement: off })
    expect(sound(attempt).conclusion.share).toBeLessThan(0.4)
  })

  it('has no piece to name: whoever names one and replaces it is told', () => {
    const attempt = proved(order()).conclude('X1')
    attempt.act({ type: 'repair', piece: 'X1', by: 'replace' })
    const { judgements, total } = attempt.judged(predictor)
    const conclusion = judgements.find((j) => j.aspect === 'conclusion')!
    expect(conclusion.share).toBe(0)
    expect(tell(conclusion.reason)).toContain('the circuit is sound')
    expect(total).toBeLessThan(30)
  })

  it('is wrong where something is planted, and names it', () => {
    const planted = [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }] as const
    const { conclusion } = sound(order([...planted]).test('B1+', 'B1-', 12.5, []))
    expect(conclusion.share).toBe(0)
    expect(tell(conclusion.reason)).toContain('X2')
  })

  it('tells a student at work no more than what was seen', () => {
    const attempt = proved(order())
    const blindly = followBlindly(predictor, attempt.order, defaultRubric).follow(attempt.steps)
    const told = practiceVerdicts(blindly)
    expect(told.filter(({ aspect }) => aspect === 'inference').some(({ grade }) => grade === 'poor')).toBe(
      false,
    )
    expect(JSON.stringify(told)).not.toContain('sound circuit')
  })
})
