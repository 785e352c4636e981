import { z } from 'zod'

const levelSchema = z.object({
  level: z.number(),
  spread: z.number(),
  evidence: z.number(),
  thin: z.boolean(),
})
export const ledgerSchema = z.object({
  students: z.array(
    z.object({
      id: z.uuid(),
      name: z.string(),
      attempts: z.number(),
      mean: z.number().nullable(),
      skills: z.record(z.string(), levelSchema),
      /** Topics that it would help most to meet next, the first first. */
      next: z.array(z.string()),
    }),
  ),
  faults: z.array(
    z.object({
      circuit: z.string(),
      fault: z.string(),
      attempts: z.number(),
      found: z.number(),
      tests: z.number(),
      minutes: z.number(),
      /** The wrong piece that was concluded most often. */
      wrong: z.string().nullable(),
    }),
  ),
  reliability: z.array(
    z.object({ from: z.number(), to: z.number(), sure: z.number(), right: z.number(), count: z.number() }),
  ),
})
export type Ledger = z.infer<typeof ledgerSchema>
/** One finished order, for whoever keeps marks elsewhere. */
export const markRowSchema = z.object({
  student: z.string(),
  circuit: z.string(),
  fault: z.string(),
  finished: z.string(),
  found: z.boolean(),
  readings: z.number(),
  minutes: z.number(),
  points: z.record(z.string(), z.number()),
  mark: z.number(),
  /** Step and code of each verdict. */
  verdicts: z.array(z.string()),
  notes: z.array(z.string()),
})
export type MarkRow = z.infer<typeof markRowSchema>

/** One student's course: attempt by attempt. */
export const courseSchema = z.array(
  z.object({
    id: z.uuid(),
    at: z.string(),
    circuit: z.string(),
    fault: z.string(),
    total: z.number(),
    right: z.boolean(),
    tests: z.number(),
  }),
)
