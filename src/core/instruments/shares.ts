import { type SolvedBoard } from '../board'
import type { MeterType } from './meter'
import { readOhms } from './ohmmeter'
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

/**
 * Shares of a reading in ohms; undefined for OL. With the leads zeroed first, their ohms are taken off.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function sharesOfOhms(
  solved: SolvedBoard,
  red: number,
  black: number,
  meter: MeterType,
  zeroed = false,
): Shares | undefined {
  const reading = readOhms(solved, red, black, zeroed ? { ...meter, leadOhms: 0 } : meter)
  const exact = readOhms(solved, red, black, { ...meter, leadOhms: 0, counts: 6e9 }).value
  if (reading.value === undefined || exact === undefined) return undefined
  const leads = zeroed ? 0 : meter.leadOhms
  return {
    truth: exact,
    loading: 0,
    leads,
    resolution: reading.value - exact - leads,
    shown: reading.value,
  }
}
