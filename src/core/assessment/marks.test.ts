import { describe, expect, it } from 'vitest'
import { aspects, defaultRubric, marksOf, type Account, type Aspect, type Judgement } from '.'

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
const perfect = aspects.flatMap((aspect) => [judged(aspect, 1), judged(aspect, 1, { step: 3 })])
const all: Account = { evidence: 1, said: 1, proven: true, understood: 1, aim: 1, swapped: false }
const pointsOf = (judgements: readonly Judgement[], aspect: Aspect, account: Partial<Account> = {}) =>
  marksOf(judgements, defaultRubric, { ...all, ...account }).marks.find((m) => m.aspect === aspect)!.points

describe('marks', () => {
  it('of a perfect attempt are all there are', () => {
    const { total, of, uncapped } = marksOf(perfect, defaultRubric, all)
    expect([total, of, uncapped]).toEqual([100, 100, undefined])
  })

  it('of nothing are nothing', () => {
    expect(marksOf([], defaultRubric, { ...all, proven: false }).total).toBe(0)
    expect(marksOf([judged('prediction', undefined)], defaultRubric, { ...all, proven: false }).total).toBe(0)
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
    const claims = [
      judged('prediction', 1),
      judged('prediction', 1, { step: 3 }),
      judged('inference', 1),
      judged('verification', 1),
    ]
    expect(pointsOf(claims, 'inference', { evidence: 0 })).toBe(0)
    expect(pointsOf(claims, 'prediction', { evidence: 0 })).toBe(0)
    expect(pointsOf(claims, 'verification', { evidence: 0 })).toBe(defaultRubric.weights.verification)
    expect(pointsOf(claims, 'inference', { evidence: 0.4 })).toBeCloseTo(
      0.5 * defaultRubric.weights.inference,
      1,
    )
    expect(pointsOf(claims, 'prediction', { evidence: 0.2 })).toBeCloseTo(
      0.5 * defaultRubric.weights.prediction,
      1,
    )
    expect(pointsOf(claims, 'inference', { evidence: 0.9 })).toBe(defaultRubric.weights.inference)
  })

  it('let a proven conclusion speak for half of the claims that were not made, and no other', () => {
    const { inference, technique } = defaultRubric.weights
    const silent = [judged('technique', 1), judged('conclusion', 1)]
    expect(pointsOf(silent, 'inference', { said: 0 })).toBe(inference / 2)
    expect(pointsOf(silent, 'inference', { said: 0, proven: false })).toBe(0)
    // Nothing had been cleared that could be said.
    expect(pointsOf(silent, 'inference')).toBe(inference)
    const wrong = { said: 0, proven: false, understood: 0.15 }
    expect(pointsOf([judged('technique', 1), judged('conclusion', 0)], 'inference', wrong)).toBe(0)
    expect(pointsOf([judged('technique', 1), judged('conclusion', 0)], 'technique', wrong)).toBeLessThan(
      0.5 * technique,
    )
  })

  it('pay for what was said of what could be said', () => {
    const { inference } = defaultRubric.weights
    const claims = [judged('inference', 1), judged('conclusion', 1)]
    expect(pointsOf(claims, 'inference', { said: 0.7 })).toBe(inference)
    expect(pointsOf(claims, 'inference', { said: 0.3 })).toBeCloseTo(0.75 * inference, 0)
    expect(pointsOf(claims, 'inference', { said: 0.3, proven: false })).toBeCloseTo(0.5 * inference, 1)
  })

  it('pay nothing for the choice of tests, and less for technique, where most had no aim', () => {
    const tests = [
      judged('efficiency', 1),
      judged('technique', 1, { step: 3 }),
      judged('technique', 1, { step: 5 }),
    ]
    expect(pointsOf(tests, 'efficiency', { aim: 0.2 })).toBe(0)
    expect(pointsOf(tests, 'technique', { aim: 0.3 })).toBeCloseTo(0.5 * defaultRubric.weights.technique, 1)
    expect(pointsOf(tests, 'efficiency', { aim: 0.8 })).toBe(defaultRubric.weights.efficiency)
  })

  it('are capped where parts were replaced in turn', () => {
    const { total, uncapped } = marksOf(perfect, defaultRubric, { ...all, swapped: true })
    expect([total, uncapped]).toEqual([30, 100])
  })

  it('are capped by what is grave, and say what they would have been', () => {
    const { total, uncapped } = marksOf([...perfect, judged('safety', 0, { step: 7 })], defaultRubric, all)
    expect(total).toBe(40)
    expect(uncapped).toBeGreaterThan(80)
    // A mark below the cap is what it is.
    expect(marksOf([judged('verification', 1), judged('safety', 0)], defaultRubric, all)).not.toHaveProperty(
      'uncapped',
    )
  })

  it('say why an aspect is worth less than its steps earned, and nothing where it is not', () => {
    const whyOf = (judgements: readonly Judgement[], aspect: Aspect, account: Partial<Account> = {}) =>
      marksOf(judgements, defaultRubric, { ...all, ...account })
        .marks.find((m) => m.aspect === aspect)!
        .less?.map(({ code }) => code)
    for (const aspect of aspects) expect(whyOf(perfect, aspect), aspect).toBeUndefined()
    expect(whyOf(perfect, 'technique', { aim: 0.3 })).toEqual(['assessment.lessAim'])
    expect(whyOf(perfect, 'efficiency', { aim: 0.3 })).toEqual(['assessment.lessAim'])
    expect(whyOf(perfect, 'technique', { aim: 0.6 })).toBeUndefined()
    expect(whyOf([judged('prediction', 1)], 'prediction')).toEqual(['assessment.lessShown'])
    expect(whyOf(perfect, 'prediction', { evidence: 0.2 })).toEqual(['assessment.lessEvidence'])
    expect(whyOf(perfect, 'inference', { understood: 0.15 })).toEqual(['assessment.lessUnderstood'])
    expect(whyOf(perfect, 'inference', { said: 0.3 })).toEqual(['assessment.lessSaid'])
    expect(whyOf([judged('conclusion', 1)], 'inference', { said: 0 })).toEqual(['assessment.lessSilent'])
    // Steps that earned nothing have said so themselves.
    expect(
      whyOf([judged('technique', 0), judged('technique', 0, { step: 3 })], 'technique', { aim: 0 }),
    ).toBeUndefined()
  })
})
