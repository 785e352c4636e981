import type { Attachment, SolvedBoard, UnsolvedBoard } from '../board'
import { brightness, filamentLaw, junctionLaw } from '../parts'
import { instrumentAmps, instrumentVolts, lawAcross, solveWith } from './attach'

export interface LampReading {
  /** What an eye sees of it, by its key: `dim`. */
  readonly glow: string
  readonly volts: number
  readonly amps: number
  readonly blownByIt: readonly string[]
}

const leadOhms = 0.05

/**
 * A filament lamp on two leads, after it has settled. It loads what it touches with `amps` at `ratedVoltage`: a light one
 * shines through a joint that a heavy one goes out on. Hold a heavy one for three to five seconds: corroded metal warms.
 * @param red node of the red lead
 * @param black node of the black lead
 * @param amps of the lamp at its rated volts, A
 * @param ratedVoltage V
 */
export function readTestLamp(
  solved: SolvedBoard,
  red: number,
  black: number,
  amps: number,
  ratedVoltage = 12,
  out: readonly string[] = [],
): LampReading {
  const connected = withTestLamp(solved, red, black, amps, ratedVoltage, out)
  if (!connected.ok || red === black) return dark
  const volts = instrumentVolts(connected)
  return {
    glow: brightness(volts, ratedVoltage).key,
    volts,
    amps: instrumentAmps(connected),
    blownByIt: [...connected.blown].filter((id) => !solved.blown.has(id)),
  }
}

/**
 * The circuit while the lamp hangs on it, such as in place of a fuse: what a clamp then reads along the harness.
 * @param red node of the red lead
 * @param black node of the black lead
 * @param amps of the lamp at its rated volts, A
 * @param ratedVoltage V
 */
export function withTestLamp(
  solved: SolvedBoard,
  red: number,
  black: number,
  amps: number,
  ratedVoltage = 12,
  out: readonly string[] = [],
): SolvedBoard | UnsolvedBoard {
  return solveWith(solved, lampAcross(red, black, amps, ratedVoltage), out)
}

/** The lamp itself, between two nodes. */
export function lampAcross(red: number, black: number, amps: number, ratedVoltage: number): Attachment {
  const filament = { ratedVoltage, ratedPower: amps * ratedVoltage, workingKelvin: 2500 }
  return lawAcross(red, black, filamentLaw(filament, 293.15), leadOhms)
}

const dark: LampReading = { glow: 'dark', volts: 0, amps: 0, blownByIt: [] }

/** Low-current probe: an LED behind its resistor, some milliamps. It says that there are volts, not that they carry. */
export function readLedProbe(
  solved: SolvedBoard,
  red: number,
  black: number,
  out: readonly string[] = [],
): LampReading {
  const law = junctionLaw({ saturation: 1e-15, emission: 2.2, kelvin: 293.15 })
  const connected = solveWith(solved, lawAcross(red, black, law, 1500), out)
  if (!connected.ok || red === black) return dark
  const amps = instrumentAmps(connected)
  return {
    glow: amps > 0.003 ? 'bright' : amps > 0.0003 ? 'dim' : 'dark',
    volts: instrumentVolts(connected),
    amps,
    blownByIt: [],
  }
}
