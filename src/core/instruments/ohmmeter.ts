import { Solver } from '../solve'
import type { SolvedBoard } from '../board'
import { formatNumber } from '../quantity'
import { accuracy, autorange, toCount, type MeterType, type Display } from './meter'

const lowest = 600
const highest = 6e7
/** Volts between the leads from which a resistance reading is nonsense. */
const liveFrom = 0.002

/**
 * Ohms. The meter drives a known current (1 mA on its lowest range, a tenth for each range above), up to its
 * open-circuit voltage, and shows volts over amps. On a live circuit those volts are not its own.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function readOhms(solved: SolvedBoard, red: number, black: number, meter: MeterType): Display {
  const before = solved.volts(red, black) ?? 0
  const live = Math.abs(before) > liveFrom
  let shown: number | undefined
  let digit = lowest / meter.counts
  for (let full = lowest; full <= highest; full *= 10) {
    const ohms = measured(solved, red, black, (0.001 * lowest) / full, meter) + meter.leadOhms
    if (Math.abs(ohms) < full) {
      shown = ohms
      digit = full / meter.counts
      break
    }
  }
  const value = shown === undefined ? undefined : toCount(shown, digit)
  return {
    value,
    text: value === undefined ? 'OL' : showOhms(value, digit),
    beeps: false,
    live,
    floating: false,
  }
}

/**
 * Continuity: a beep below the threshold, and the ohms of the lowest range; OL above it.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function readContinuity(solved: SolvedBoard, red: number, black: number, meter: MeterType): Display {
  const live = Math.abs(solved.volts(red, black) ?? 0) > liveFrom
  const ohms = measured(solved, red, black, meter.continuity.amps, meter) + meter.leadOhms
  const digit = lowest / meter.counts
  const value = Math.abs(ohms) < lowest ? toCount(ohms, digit) : undefined
  const beeps = value !== undefined && value < meter.continuity.beepsBelow
  return {
    value,
    text: value === undefined ? 'OL' : showOhms(value, digit),
    beeps,
    live,
    floating: false,
  }
}

/** Half-width that the meter itself adds to a reading of `ohms`. */
export function ohmsAccuracy(ohms: number, meter: MeterType): number {
  return accuracy(ohms, autorange(Math.abs(ohms), meter.counts, lowest, highest).digit, meter.ohms)
}

/** Volts over amps for a test current that gives way at the meter's open-circuit voltage. */
function measured(
  { board, point }: SolvedBoard,
  red: number,
  black: number,
  amps: number,
  meter: MeterType,
): number {
  if (red === black) return 0
  const owner = { part: '', segment: 'meter' }
  const compliance = meter.ohms.openVolts / amps
  const solved = new Solver({
    nodeCount: board.nodeCount,
    elements: [
      ...board.elements,
      { type: 'source', a: red, b: black, volts: meter.ohms.openVolts, ohms: compliance, owner },
    ],
  }).solve(point.voltage)
  if (!solved.ok) return Infinity
  const volts = solved.voltage[red]! - solved.voltage[black]!
  const flowing = (meter.ohms.openVolts - volts) / compliance
  return Math.abs(flowing) < amps * 1e-3 ? Infinity : volts / flowing
}

function showOhms(value: number, digit: number): string {
  const [scale, prefix] = Math.abs(value) >= 1e6 ? [1e6, 'M'] : digit >= 1 ? [1e3, 'k'] : [1, '']
  const decimals = Math.max(0, Math.round(-Math.log10(digit / scale)))
  return `${formatNumber(value / scale, decimals)}\u00a0${prefix}Ω`
}
