import { Solver } from '../solve'
import { type SolvedBoard } from '../board'
import { formatNumber } from '../quantity'
import { accuracy, autorange, toCount, type MeterType, type Display } from './meter'

const range = (size: number, counts: number) => autorange(size, counts, 0.6, 600)

/**
 * Volts DC, red minus black, with the meter's own input resistance across the points.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function readVolts(solved: SolvedBoard, red: number, black: number, meter: MeterType): Display {
  const truth = loadedVolts(solved, red, black, meter)
  const { digit } = range(Math.abs(truth), meter.counts)
  const value = toCount(truth, digit)
  return {
    value,
    text: showVolts(value, digit),
    beeps: false,
    live: false,
    floating: !solved.tied(red, black),
  }
}

/** Volts between two nodes while the meter's own input resistance lies across them; the mean over a limit cycle. */
export function loadedVolts(solved: SolvedBoard, red: number, black: number, meter: MeterType): number {
  const phases = solved.phases
  return phases.reduce((sum, phase) => sum + steadyVolts(phase, red, black, meter), 0) / phases.length
}

function steadyVolts({ board, point }: SolvedBoard, red: number, black: number, meter: MeterType): number {
  if (red === black) return 0
  const loaded = new Solver({
    nodeCount: board.nodeCount,
    elements: [
      ...board.elements,
      {
        type: 'resistor',
        a: red,
        b: black,
        ohms: meter.volts.inputOhms,
        owner: { part: '', segment: 'meter' },
      },
    ],
  }).solve(point.voltage)
  return loaded.ok ? loaded.voltage[red]! - loaded.voltage[black]! : 0
}

/**
 * Half-width that the meter itself adds to a reading of `volts`.
 * @param volts as shown, V
 * @returns V
 */
export function voltsAccuracy(volts: number, meter: MeterType): number {
  return accuracy(volts, range(Math.abs(volts), meter.counts).digit, meter.volts)
}

function showVolts(value: number, digit: number): string {
  const milli = digit < 0.0005
  const decimals = milli ? 1 : Math.max(0, Math.round(-Math.log10(digit)))
  return milli ? `${formatNumber(value * 1000, decimals)}\u00a0mV` : `${formatNumber(value, decimals)}\u00a0V`
}
