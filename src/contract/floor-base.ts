import { z } from 'zod'
import { messageSchema } from '../core/document'

/** One station as it stands, without its last step: it is read without the circuit engine. */
export const floorBaseSchema = z.object({
  id: z.uuid(),
  student: z.object({ id: z.uuid(), name: z.string() }),
  circuit: z.string(),
  station: z.string().nullable(),
  round: z.number().nullable(),
  created: z.string(),
  began: z.string().nullable(),
  /** Of the last step. */
  at: z.string().nullable(),
  concluded: z.string().nullable(),
  released: z.string().nullable(),
  tests: z.number(),
  hints: z.number(),
  /** Pieces still in doubt after each step, by the readings; null while it is worked out. */
  left: z.array(z.number()).nullable(),
  /** Tests in a row that told nothing. */
  idle: z.number(),
  /** Grave errors of safety, in the order in which they were made. */
  unsafe: z.array(z.object({ step: z.number(), what: messageSchema })),
  stopped: z.string().nullable(),
  total: z.number().nullable(),
})
export type FloorBase = z.infer<typeof floorBaseSchema>
export const floorSummarySchema = z.object({ rows: z.array(floorBaseSchema), count: z.number().int() })
