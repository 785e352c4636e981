/** Units that readings and parameters carry. SI, and those that the trade writes. */
export const units = ['V', 'A', 'Ω', 'W', 'H', 'm', 'mm²', '°C', '%', 's', 'h', 'Ah', 'K', ''] as const
export type Unit = (typeof units)[number]

const prefixes: readonly (readonly [number, string])[] = [
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
  [1e-3, 'm'],
]

/** Units that take a prefix; the others are always written in full. */
const prefixed: ReadonlySet<Unit> = new Set<Unit>(['V', 'A', 'Ω', 'W', 'H'])

const minus = '\u2212'
const noBreakSpace = '\u00a0'

/**
 * Digits only, with a minus that is a minus. `decimals` is the number of places kept.
 * @param value plain number
 * @param decimals places kept, from 0
 */
export function formatNumber(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals)
  return value < 0 && Number(text) !== 0 ? minus + text : text
}

/**
 * A number as short as it is exact to `digits` significant places: 55, 0.75, 12.6.
 * @param value plain number
 * @param digits significant places
 */
export function formatPlain(value: number, digits = 4): string {
  const text = String(Number(Math.abs(value).toPrecision(digits)))
  return value < 0 ? minus + text : text
}

/**
 * A value as the trade writes it: `12.34 V`, `280 mV`, `4.7 mΩ`.
 * Prefixes run from mega to milli; hundredths are the most that is written.
 * @param value in the unit itself, such as V for `280 mV`
 */
export function formatQuantity(value: number, unit: Unit): string {
  if (!Number.isFinite(value)) return unit === 'Ω' ? 'OL' : '–'
  if (value === 0) return `0${noBreakSpace}${unit}`.trimEnd()
  if (!prefixed.has(unit)) return `${formatPlain(value)}${noBreakSpace}${unit}`.trimEnd()
  const size = Math.abs(value)
  const [scale, prefix] = prefixes.find(([s]) => size >= s * 0.99995) ?? prefixes[prefixes.length - 1]!
  const scaled = value / scale
  const whole = Math.max(1, Math.floor(Math.log10(Math.abs(scaled)) + 1e-9) + 1)
  const decimals = Math.max(0, Math.min(2, (prefix === '' ? 4 : 3) - whole))
  const text = formatNumber(scaled, decimals)
  if (Number(text.replace(minus, '-')) === 0) return `0${noBreakSpace}${unit}`
  return `${text}${noBreakSpace}${prefix}${unit}`
}
