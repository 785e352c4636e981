import { describe, expect, it } from 'vitest'
import { Recovery } from '../../../../test/recovery'
import { english } from '../../words'
import { drillKeys } from '../drills/registry'
import { techniqueRules } from '../../assessment'
import { heldBy, probabilityOf, weightOf, type MisbeliefEvidence } from './evidence'
import { misbeliefs } from './registry'

describe('wrong ideas', () => {
  it('are at least twenty, each with its words, a drill and a rule that there is', () => {
    expect(misbeliefs.length).toBeGreaterThanOrEqual(20)
    const rules = new Set(techniqueRules.map(({ key }) => key))
    for (const { key, drills, rule, chances } of misbeliefs) {
      for (const part of ['title', 'says', 'show'])
        expect(english).toHaveProperty([`learning.misbeliefs.${key}.${part}`])
      expect(drills.length).toBeGreaterThan(0)
      for (const drill of drills) expect(drillKeys).toContain(drill)
      if (rule !== undefined) expect(rules).toContain(rule)
      expect(chances.held).toBeGreaterThan(3 * chances.not)
    }
  })

  const [idea] = misbeliefs
  const of = (shown: number, hidden: number): MisbeliefEvidence => ({
    misbelief: idea!.key,
    shown,
    occasions: shown + hidden,
    weight: weightOf(idea!, shown, hidden),
    step: shown ? 0 : null,
  })

  it('are named after they have shown twice, not once, and less so where they did not', () => {
    expect(heldBy([of(1, 0)])[0]!.named).toBe(false)
    expect(heldBy([of(1, 0), of(1, 0)])[0]!.named).toBe(true)
    expect(heldBy([of(1, 0), of(1, 0), of(0, 2), of(0, 2), of(0, 2)])[0]!.named).toBe(false)
    expect(probabilityOf(0)).toBeCloseTo(0.06)
  })
  it('weigh occasions by Bayes: ln 0.8/0.05 for one that shows, ln 0.2/0.95 for one that does not', () => {
    expect(weightOf(idea!, 1, 0)).toBeCloseTo(Math.log(16))
    expect(weightOf(idea!, 0, 1)).toBeCloseTo(Math.log(0.2 / 0.95))
    expect(weightOf(idea!, 9, 0)).toBeCloseTo(2 * Math.log(16))
  })

  it('are told apart on the bench: three of them by six attempts each, and a careful student holds none', () => {
    const recovery = new Recovery(1)
    for (const key of ['currentUsedUp', 'ohmsOnLive', 'openReadsNothing'] as const)
      expect(recovery.named(key, 41, 0.02)).toEqual([key])
    expect(recovery.named(undefined, 7, 0)).toEqual([])
  }, 240_000)
})
