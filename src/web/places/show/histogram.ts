import { niceStep } from '../../charts/nice'

/** So many answers lie between two volts. */
export interface Bin {
  readonly from: number
  readonly to: number
  readonly count: number
}

/**
 * Answers in volts, in bins of one width: none is split between two that read alike.
 * @param values as they were given, V
 * @param most what the scale reaches at least, V
 * @returns bins from the least answer, or nothing, to the largest or `most`
 */
export function histogramOf(values: readonly number[], most: number): Bin[] {
  const least = Math.min(0, ...values)
  const top = Math.max(1, most, ...values)
  const step = niceStep(top - least, 10)
  const first = Math.floor(least / step + 1e-9)
  const last = Math.max(first + 1, Math.floor(top / step + 1e-9) + 1)
  const bins = Array.from({ length: last - first }, (_, i) => ({
    from: (first + i) * step,
    to: (first + i + 1) * step,
  }))
  return bins.map((bin) => ({
    ...bin,
    // What lies on an edge counts above it: 12 V is among “12 to 14”.
    count: values.filter((v) => v >= bin.from - 1e-9 && v < bin.to - 1e-9).length,
  }))
}
