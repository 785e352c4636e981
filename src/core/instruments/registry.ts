import type { SolvedBoard } from '../board'
import { type MeterFunction, type MeterType, type Reading } from './meter'
import { ohmsAccuracy, readContinuity, readOhms } from './ohmmeter'
import { readVolts, voltsAccuracy } from './voltmeter'

export interface FunctionDefinition {
  readonly key: MeterFunction
  readonly title: string
  readonly read: (solved: SolvedBoard, red: number, black: number, meter: MeterType) => Reading
  readonly accuracy: (value: number, meter: MeterType) => number
}

/** What the meter can be set to. A new function is its file and its line here. */
export const meterFunctions: readonly FunctionDefinition[] = [
  { key: 'volts', title: 'Volts DC', read: readVolts, accuracy: voltsAccuracy },
  { key: 'ohms', title: 'Ohms', read: readOhms, accuracy: ohmsAccuracy },
  { key: 'continuity', title: 'Continuity', read: readContinuity, accuracy: ohmsAccuracy },
]

export function functionOf(key: MeterFunction): FunctionDefinition {
  return meterFunctions.find((f) => f.key === key)!
}
