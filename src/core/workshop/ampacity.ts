/**
 * Amps that a single insulated copper conductor in a vehicle is commonly fused for, by section in mm² (common practice, no
 * source; the vehicle maker's own table comes first, and wires in thick bundles or hot places carry less).
 */
const usual: readonly (readonly [section: number, amps: number])[] = [
  [0.35, 5],
  [0.5, 7.5],
  [0.75, 10],
  [1, 15],
  [1.5, 20],
  [2.5, 30],
  [4, 40],
  [6, 50],
  [10, 80],
  [16, 110],
  [25, 150],
  [35, 200],
  [50, 250],
  [70, 320],
  [95, 400],
]

/**
 * Amps for any section, between the table's lines by power law; beyond its ends by that of the last two.
 * @param section mm²
 * @returns A
 */
export function ampacity(section: number): number {
  const i = Math.min(usual.length - 2, Math.max(0, usual.findIndex(([s]) => s > section) - 1))
  const at = section >= usual[usual.length - 1]![0] ? usual.length - 2 : i
  const [s0, a0] = usual[at]!
  const [s1, a1] = usual[at + 1]!
  return a0 * (section / s0) ** (Math.log(a1 / a0) / Math.log(s1 / s0))
}

/** Ratings that blade fuses are sold in, amps (ISO 8820-3; from memory). */
export const fuseRatings = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100] as const

/**
 * Fuse for a branch: the next rating above 1.25 times the running current (common practice, no source), and no more than
 * the thinnest wire behind it is fused for.
 * @param amps that run, A
 * @param thinnest section of the thinnest wire behind it, mm²
 * @returns rating in A; `fits` is false where no rating spares both
 */
export function fuseFor(amps: number, thinnest: number): { readonly rating: number; readonly fits: boolean } {
  const wanted = fuseRatings.find((r) => r >= 1.25 * amps) ?? fuseRatings[fuseRatings.length - 1]!
  return { rating: wanted, fits: wanted <= ampacity(thinnest) * 1.001 }
}

/** Sections that wire is sold in, mm² (ISO 6722-1; from memory). */
export const sections = [0.35, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95] as const
