import { z } from 'zod'
import { faultKinds } from '../parts'
import type { Unit } from '../quantity'

/** A planted fault: which piece, how it fails, and how badly where that is a number. */
export const faultSchema = z.strictObject({
  kind: z.enum(faultKinds),
  part: z.string(),
  segment: z.string(),
  /** Meaning and range by kind; kinds without one ignore it. */
  severity: z.number().optional(),
})
export type Fault = z.infer<typeof faultSchema>

export interface Severity {
  readonly label: string
  readonly unit: Unit
  readonly least: number
  readonly most: number
  readonly preset: number
  /** Values between which every severity behaves alike enough to reason with; ascending. */
  readonly grid: readonly number[]
}
