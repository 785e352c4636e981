/** Preferred values of one decade (IEC 60063). */
export const series = {
  E12: [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
  E24: [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91],
} as const
export type Series = keyof typeof series

export interface Combination {
  readonly how: 'single' | 'series' | 'parallel'
  readonly ohms: readonly number[]
  /** What they come to together, Ω. */
  readonly total: number
}

/** Values of the series from a tenth of an ohm, the least that is sold as a power resistor, to a megohm. */
const valuesOf = (name: Series): number[] =>
  [0.01, 0.1, 1, 10, 100, 1000, 1e4, 1e5].flatMap((decade) =>
    series[name].map((v) => Number((v * decade).toPrecision(3))),
  )

/**
 * Nearest single value.
 * @param ohms asked for, Ω
 */
export function nearest(ohms: number, name: Series): Combination {
  const best = valuesOf(name).reduce((a, b) => (miss(b, ohms) < miss(a, ohms) ? b : a))
  return { how: 'single', ohms: [best], total: best }
}

/**
 * Nearest of one or two: two only where they halve the miss of one, for each is a joint more to solder.
 * @param ohms asked for, Ω
 */
export function combine(ohms: number, name: Series): Combination {
  const one = nearest(ohms, name)
  let best = one
  const values = valuesOf(name).filter((v) => v > ohms / 30 && v < ohms * 30)
  for (const a of values) {
    for (const b of values) {
      if (b < a) continue
      for (const [how, total] of [
        ['series', a + b],
        ['parallel', (a * b) / (a + b)],
      ] as const)
        if (miss(total, ohms) < miss(best.total, ohms)) best = { how, ohms: [a, b], total }
    }
  }
  return miss(best.total, ohms) < 0.5 * miss(one.total, ohms) ? best : one
}

const miss = (a: number, b: number) => Math.abs(Math.log(a / b))

/** Watts that power resistors are sold for. */
export const wattRatings = [0.25, 0.5, 1, 2, 3, 5, 10, 15, 25, 50, 100, 150, 200, 300] as const

/**
 * Next rating up that leaves the resistor at half its watts or less (common practice, no source).
 * @param watts that it turns to heat, W
 * @returns rating, W; undefined where none is large enough
 */
export const wattsFor = (watts: number): number | undefined =>
  wattRatings.find((r) => r >= 2 * watts * (1 - 1e-9))

/** Kelvin over its surroundings that a power resistor reaches at its full rating in free air (common practice, no source). */
const riseAtRating = 275

export interface Heat {
  /** °C of its surface once it has warmed through. */
  readonly surface: number
  /** Seconds that it may stay on; Infinity where it may for good. */
  readonly stay: number
  readonly burns: boolean
}

/**
 * A wirewound resistor stands five times its rating for five seconds (makers' usual figure; from memory): energy is what counts.
 * @param watts that it turns to heat, W
 * @param rating W
 * @param ambient °C
 */
export function heatOf(watts: number, rating: number, ambient = 20): Heat {
  const share = watts / rating
  const surface = ambient + riseAtRating * Math.min(share, 4)
  const stay = share <= 0.6 ? Infinity : share <= 1 ? 600 : Math.max(1, 25 / share)
  // Skin burns at once above about 60 °C (common practice; hot surface limits).
  return { surface, stay, burns: surface > 60 }
}
