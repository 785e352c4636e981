import type { Words } from '../document'
import { z } from 'zod'
import type { SegmentRef } from '../circuit'
import { faultKinds } from './catalogue'
import type { Unit } from '../quantity'

/** A planted fault: which piece, how it fails, and how badly where that is a number. */
export const faultSchema = z.strictObject({
  kind: z.enum(faultKinds),
  part: z.string(),
  segment: z.string(),
  /** Meaning and range by kind; kinds without one ignore it. */
  severity: z.number().optional(),
  /** How far along a conductor, 0 to 1 from its first terminal; half-way unless said. */
  at: z.number().min(0.01).max(0.99).optional(),
  /** Ohms at a milliamp, where the kind has them beside its severity: what an ohmmeter reads. */
  cold: z.number().min(0.05).max(50).optional(),
  /** It is there only while the part is moved: a chafe that touches on the road, a break that opens when it is bent. */
  moving: z.boolean().optional(),
  /** The other piece that is involved, as `PART.SEGMENT`: what it touches, or what it is swapped with. */
  other: (z.string() as unknown as z.ZodType<SegmentRef, SegmentRef>).optional(),
})
export type Fault = z.infer<typeof faultSchema>

export interface Severity {
  readonly label: Words
  readonly unit: Unit
  readonly least: number
  readonly most: number
  readonly preset: number
  /** Values between which every severity behaves alike enough to reason with; ascending. */
  readonly grid: readonly number[]
  /** Between which it is met; odder ones are made for a lesson. Anywhere on the grid unless said. */
  readonly usual?: readonly [number, number]
}
