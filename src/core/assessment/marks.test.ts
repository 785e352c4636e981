import { describe, expect, it } from 'vitest'
import { aspects, defaultRubric, marksOf, type Aspect, type Judgement } from '.'

const verdict = { code: 'assessment.sound' }
const judged = (
  aspect: Judgement['aspect'],
  share: number | undefined,
  { step = 1, weight }: { step?: number; weight?: number } = {},
): Judgement => ({
  aspect,
  step,
  grade: 'good',
  verdict,
  reason: verdict,
  ...(share !== undefined && { share }),
  ...(weight !== undefined && { weight }),
})
const perfect = aspects.map((aspect) => judged(aspect, 1))
const pointsOf = (judgements: readonly Judgement[], aspect: Aspect, evidence = 1) =>
  marksOf(judgements, defaultRubric, evidence).marks.find((m) => m.aspect === aspect)!.points

describe('marks', () => {
  it('of a perfect attempt are all there are', () => {
    const { total, of, uncapped } = marksOf(perfect, defaultRubric, 1)
    expect([total, of, uncapped]).toEqual([100, 100, undefined])
  })

  it('of nothing are nothing', () => {
    expect(marksOf([], defaultRubric, 1).total).toBe(0)
    expect(marksOf([judged('prediction', undefined)], defaultRubric, 1).total).toBe(0)
  })

  it('weigh a claim by the doubt that it removed', () => {
    const claims = [judged('inference', 1, { weight: 0.9 }), judged('inference', 0, { weight: 0.1 })]
    expect(pointsOf(claims, 'inference')).toBeCloseTo(0.9 * defaultRubric.weights.inference, 1)
  })

  it('take the worst mistake of one test, and the mean over tests', () => {
    const technique = [
      judged('technique', 1, { step: 1 }),
      judged('technique', 0.5, { step: 1 }),
      judged('technique', 1, { step: 3 }),
    ]
    expect(pointsOf(technique, 'technique')).toBeCloseTo(0.75 * defaultRubric.weights.technique, 0)
    // What is grave for safety is no good technique either.
    const grave = [judged('technique', 1, { step: 1 }), judged('safety', 0, { step: 1 })]
    expect(pointsOf(grave, 'technique')).toBe(0)
  })

  it('without evidence collect nothing for what was avoided', () => {
    const claims = [judged('prediction', 1), judged('inference', 1), judged('verification', 1)]
    expect(pointsOf(claims, 'inference', 0)).toBe(0)
    expect(pointsOf(claims, 'prediction', 0)).toBe(0)
    expect(pointsOf(claims, 'verification', 0)).toBe(defaultRubric.weights.verification)
    expect(pointsOf(claims, 'inference', 0.4)).toBeCloseTo(0.5 * defaultRubric.weights.inference, 1)
    expect(pointsOf(claims, 'prediction', 0.2)).toBeCloseTo(0.5 * defaultRubric.weights.prediction, 1)
    expect(pointsOf(claims, 'inference', 0.9)).toBe(defaultRubric.weights.inference)
  })

  it('let a conclusion speak for claims that were not made, but not a wrong one', () => {
    const silent = [judged('technique', 1), judged('conclusion', 1)]
    expect(pointsOf(silent, 'inference', 1)).toBe(defaultRubric.weights.inference)
    const wrong = [judged('technique', 1), judged('conclusion', 0)]
    expect(pointsOf(wrong, 'inference', 1)).toBe(0)
    expect(pointsOf(wrong, 'technique', 1)).toBeLessThan(0.5 * defaultRubric.weights.technique)
    expect(pointsOf([judged('technique', 1)], 'inference', 1)).toBe(0)
  })

  it('are capped by what is grave, and say what they would have been', () => {
    const { total, uncapped } = marksOf([...perfect, judged('safety', 0, { step: 7 })], defaultRubric, 1)
    expect(total).toBe(40)
    expect(uncapped).toBeGreaterThan(80)
    // A mark below the cap is what it is.
    expect(marksOf([judged('verification', 1), judged('safety', 0)], defaultRubric, 1)).not.toHaveProperty(
      'uncapped',
    )
  })
})
