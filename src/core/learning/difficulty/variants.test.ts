import { describe, expect, it } from 'vitest'
import { alikeSets, apartBy } from './variants'

describe('variants of a test', () => {
  it('are the most that lie within half a logit of each other', () => {
    expect(alikeSets([0.9, 0.05, 1.2, 1.4, 0.1])).toEqual([0, 2, 3])
    expect(alikeSets([0, 0.5])).toEqual([0, 1])
    expect(alikeSets([0, 0.51])).toEqual([0])
  })
  it('leave out what is not known', () => {
    expect(alikeSets([null, 0.3, null, 0.4])).toEqual([1, 3])
    expect(alikeSets([null, null])).toEqual([])
    expect(apartBy([null, 0.3, 1])).toBeCloseTo(0.7)
    expect(apartBy([0.3, null])).toBe(0)
  })
})
