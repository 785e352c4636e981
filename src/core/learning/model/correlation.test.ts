import { expect, it } from 'vitest'
import { correlation, mean } from './correlation'

/** Anscombe, Graphs in statistical analysis, The American Statistician 27 (1973), first set: r = 0.816 (from memory). */
const anscombe = [
  [10, 8.04],
  [8, 6.95],
  [13, 7.58],
  [9, 8.81],
  [11, 8.33],
  [14, 9.96],
  [6, 7.24],
  [4, 4.26],
  [12, 10.84],
  [7, 4.82],
  [5, 5.68],
] as const

it('agrees with a published example, and says nothing of too few or of what does not vary', () => {
  expect(mean(anscombe.map(([, y]) => y))).toBeCloseTo(7.5, 2)
  expect(correlation(anscombe)).toBeCloseTo(0.816, 3)
  expect(correlation(anscombe.map(([x, y]) => [x, -y]))).toBeCloseTo(-0.816, 3)
  expect(correlation(anscombe.slice(0, 3))).toBeNull()
  expect(correlation(anscombe.map(([x]) => [x, 5]))).toBeNull()
  expect(mean([])).toBeNull()
})
