/**
 * The whole step of one, two or five, times a power of ten, that cuts a range into `most` parts or fewer.
 * @param range in any unit
 * @param most how many parts at most
 * @returns the step, in the unit of the range
 */
export function niceStep(range: number, most: number): number {
  const raw = range / most
  const ten = 10 ** Math.floor(Math.log10(raw))
  return ([1, 2, 5, 10].find((n) => n * ten >= raw - 1e-12) ?? 10) * ten
}
