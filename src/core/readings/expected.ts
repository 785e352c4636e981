import { functionOf, loadedVolts, type MeterType } from '../instruments'
import { smallSignalOhms, voltageBand } from './band'
import { voltsBetween, type SolvedBoard } from './board'

/** A value with the band in which it is expected; `value` undefined where nothing holds it. */
export interface Expected {
  readonly value: number | undefined
  /** Half-width, the meter's own accuracy included. */
  readonly band: number
}

/** Ohms behind a point up to which the meter's load is small enough to be reckoned linearly. */
const stiff = 1e4

/** What a meter should show between two nodes: loaded by its own input, with the band around it. */
export function expectedVolts(solved: SolvedBoard, a: number, b: number, meter: MeterType): Expected {
  const volts = voltsBetween(solved, a, b)
  if (volts === undefined) return { value: undefined, band: 0 }
  const behind = smallSignalOhms(solved, a, b)
  // Behind a blocked diode a microamp moves volts: there the loaded circuit is solved again.
  const value =
    behind < stiff
      ? (volts * meter.volts.inputOhms) / (meter.volts.inputOhms + behind)
      : loadedVolts(solved, a, b, meter)
  return { value, band: voltageBand(solved, a, b) + functionOf('volts').accuracy(value, meter) }
}
