import { type SolvedBoard } from '../board'
import type { MeterType } from './meter'
import { loadedVolts, readVolts } from './voltmeter'

/** Where a reading comes from. The shares add up to what the display shows. */
export interface Shares {
  /** What stands there without a meter; undefined where nothing holds it. */
  readonly truth: number | undefined
  /** What the meter's own input changes. */
  readonly loading: number
  /** What its leads add. */
  readonly leads: number
  /** What rounding to the last digit changes. */
  readonly resolution: number
  readonly shown: number
}

/**
 * Shares of a reading in volts.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function sharesOfVolts(solved: SolvedBoard, red: number, black: number, meter: MeterType): Shares {
  const truth = solved.volts(red, black)
  const loaded = loadedVolts(solved, red, black, meter)
  const shown = readVolts(solved, red, black, meter).value ?? 0
  return { truth, loading: loaded - (truth ?? 0), leads: 0, resolution: shown - loaded, shown }
}
