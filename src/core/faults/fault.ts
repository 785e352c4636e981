import { z } from 'zod'
import type { FaultKind } from '../parts'
import type { Unit } from '../quantity'

/** A planted fault: which piece, how it fails, and how badly where that is a number. */
export const faultSchema = z.strictObject({
  kind: z.enum([
    'open',
    'highResistance',
    'corroded',
    'blown',
    'burntOut',
    'shortToGround',
    'stuckOpen',
    'discharged',
  ]),
  part: z.string(),
  segment: z.string(),
  /** Meaning and range by kind; kinds without one ignore it. */
  severity: z.number().optional(),
})
export type Fault = z.infer<typeof faultSchema> & { kind: FaultKind }

export interface Severity {
  readonly label: string
  readonly unit: Unit
  readonly least: number
  readonly most: number
  readonly preset: number
  /** Values between which every severity behaves alike enough to reason with; ascending. */
  readonly grid: readonly number[]
}
