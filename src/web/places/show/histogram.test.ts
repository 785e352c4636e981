import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { histogramOf } from './histogram'

describe('answers of a class in volts', () => {
  it('stand in bins of one width, and what lies on an edge above it', () => {
    const bins = histogramOf([12.6, 12.4, 12, 0, 5.9], 12.6)
    expect(bins.map(({ from, count }) => [from, count]).filter(([, count]) => count)).toEqual([
      [0, 1],
      [4, 1],
      [12, 3],
    ])
  })

  it('counts every answer once, whatever was answered', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { maxLength: 60 }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (values, most) => {
          const bins = histogramOf(values, most)
          expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(values.length)
          expect(bins.length).toBeLessThanOrEqual(22)
        },
      ),
    )
  })

  it('has a scale where nobody has answered', () => {
    expect(histogramOf([], 12.6).length).toBeGreaterThan(3)
  })
})
