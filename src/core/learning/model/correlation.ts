/**
 * Arithmetic mean; null of nothing.
 * @param all values, in any unit
 * @returns in the same unit
 */
export const mean = (all: readonly number[]): number | null =>
  all.length ? all.reduce((sum, one) => sum + one, 0) / all.length : null

/** Fewer pairs tell nothing (common practice, no source). */
const fewest = 4

/** Pearson's correlation of pairs, from −1 to 1; null where they are too few, or one side does not vary. */
export function correlation(pairs: readonly (readonly [number, number])[]): number | null {
  const [x, y] = [mean(pairs.map(([a]) => a)), mean(pairs.map(([, b]) => b))]
  if (pairs.length < fewest || x === null || y === null) return null
  let [xy, xx, yy] = [0, 0, 0]
  for (const [a, b] of pairs) {
    xy += (a - x) * (b - y)
    xx += (a - x) ** 2
    yy += (b - y) ** 2
  }
  return xx > 0 && yy > 0 ? xy / Math.sqrt(xx * yy) : null
}
