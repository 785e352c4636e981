import { meltsAbove } from '../parts'
import type { SolvedBoard } from '../board'
import { formatQuantity } from '../quantity'
import { instrumentAmps, ohmsAcross, solveWith } from './attach'
import { accuracy, autorange, toCount, type MeterType } from './meter'

export type Jack = 'V' | 'mA' | 'A'

export interface AmpsReading {
  /** Amps as shown; undefined for OL. */
  readonly value: number | undefined
  readonly text: string
  /** Volts that the meter itself takes. */
  readonly burden: number
  /** The fuse in the meter is gone, and from now on it reads nothing. */
  readonly blew: boolean
  /** Fuses of the circuit that this connection blew. */
  readonly blownByIt: readonly string[]
  /** Half-width that the meter itself adds. */
  readonly accuracy: number
}

/**
 * Amps in series: the leads stand where the circuit has been opened (a fuse pulled, a clamp lifted). The shunt and the
 * meter's own fuse are a burden. Across a source the same leads are a short, and a fuse goes.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function readAmps(
  solved: SolvedBoard,
  red: number,
  black: number,
  meter: MeterType,
  jack: Jack = 'A',
  out: readonly string[] = [],
): AmpsReading {
  const nothing = { burden: 0, blew: false, blownByIt: [], accuracy: 0 }
  // In the volts jack the shunt is not in the way: ten megohms pass next to nothing.
  if (jack === 'V') return { ...nothing, value: 0, text: formatQuantity(0, 'A') }
  const { ohms, fuse } = meter.jacks[jack]
  const connected = solveWith(solved, ohmsAcross(red, black, ohms + meter.leadOhms / 10), out)
  if (!connected.ok) return { ...nothing, value: undefined, text: 'OL' }
  const amps = instrumentAmps(connected)
  const blownByIt = [...connected.blown].filter((id) => !solved.blown.has(id))
  if (Math.abs(amps) > meltsAbove * fuse)
    return { ...nothing, value: 0, text: formatQuantity(0, 'A'), blew: true, blownByIt }
  const full = jack === 'A' ? 10 : 0.4
  const { digit } = autorange(Math.abs(amps), meter.counts, jack === 'A' ? 6 : 0.06, jack === 'A' ? 60 : 0.6)
  const over = Math.abs(amps) > 1.2 * full
  const value = over ? undefined : toCount(amps, digit)
  return {
    value,
    text: value === undefined ? 'OL' : formatQuantity(value, 'A'),
    burden: Math.abs(amps) * (ohms + meter.leadOhms / 10),
    blew: false,
    blownByIt,
    accuracy: accuracy(amps, digit, meter.amps),
  }
}

/**
 * Volts with the red lead left in a current jack: the display shows next to nothing, and the shunt is a short across
 * whatever the leads touch.
 * @param red node of the red lead
 * @param black node of the black lead
 */
export function readVoltsInAmpsJack(
  solved: SolvedBoard,
  red: number,
  black: number,
  meter: MeterType,
  jack: 'mA' | 'A' = 'A',
): AmpsReading {
  const asAmps = readAmps(solved, red, black, meter, jack)
  return { ...asAmps, value: 0, text: formatQuantity(0, 'V') }
}
