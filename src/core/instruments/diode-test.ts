import type { SolvedBoard } from '../board'
import { formatNumber } from '../quantity'
import { Solver } from '../solve'
import { toCount, type MeterType } from './meter'

export interface DiodeReading {
  readonly value: number | undefined
  readonly text: string
  readonly live: boolean
}

/** Diode test: a milliamp from red to black, up to the meter's open-circuit volts; OL where it does not flow. */
export function readDiode(solved: SolvedBoard, red: number, black: number, meter: MeterType): DiodeReading {
  const { board, point } = solved
  const before = solved.volts(red, black) ?? 0
  const live = Math.abs(before) > 0.002
  if (red === black) return { value: 0, text: show(0), live }
  const { amps, openVolts } = meter.diode
  const with_ = new Solver({
    nodeCount: board.nodeCount,
    elements: [
      ...board.elements,
      {
        type: 'source',
        a: red,
        b: black,
        volts: openVolts,
        ohms: openVolts / amps,
        owner: { part: '', segment: 'meter' },
      },
    ],
  }).solve(point.voltage)
  const volts = with_.ok ? with_.voltage[red]! - with_.voltage[black]! : openVolts
  if (volts > 0.67 * openVolts) return { value: undefined, text: 'OL', live }
  const value = toCount(volts, 0.001)
  return { value, text: show(value), live }
}

const show = (volts: number): string => `${formatNumber(volts, 3)}\u00a0V`
