import { dcClamp } from '../instruments'

/**
 * Whether a reading shows that a board differs from the sound one: one answer for the sheet, for what can see a fault and for
 * what a list calls changed. Each gives the half-width within which a reading still passes for the sound board's.
 */
export const passing = {
  /** V: the parts' tolerances and the meter's accuracy. */
  volts: (band: number): number => band,
  /** Ω that nobody tells apart with leads in hand, and a tenth beside it (common practice, no source). */
  ohms: (ohms: number): number => 0.3 + 0.1 * Math.abs(ohms),
  /**
   * A: two of a clamp's last digits, its own accuracy, and that two good loads of one type differ by a twentieth (common
   * practice, no source).
   */
  clamp: (amps: number): number => 2 * dcClamp.digit + (dcClamp.percent / 100 + 0.05) * Math.abs(amps),
  /** Words, by their numbers: any other word is another reading. */
  word: 0.5,
} as const

/**
 * Whether two readings are told apart; undefined or NaN for what nothing holds, which differs from any number.
 * @param a reading, in the unit of its instrument
 * @param b reading, in the same unit
 * @param within half-width of the band, in the readings' unit
 */
export function isApart(a: number | undefined, b: number | undefined, within: number): boolean {
  const [x, y] = [a ?? Number.NaN, b ?? Number.NaN]
  if (Number.isNaN(x) || Number.isNaN(y)) return Number.isNaN(x) !== Number.isNaN(y)
  return Math.abs(x - y) > within
}
