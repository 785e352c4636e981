import { z } from 'zod'

export const statusSchema = z.object({
  version: z.string(),
  database: z.string(),
  embedded: z.boolean(),
  /** Of the database. */
  bytes: z.number(),
  /** Bytes that are free where the embedded database lies; null where it is a server’s. */
  free: z.number().nullable(),
  people: z.number(),
  orders: z.number(),
  backup: z.string().nullable(),
  /** Months that records are kept; null: until they are erased. */
  retention: z.number().nullable(),
  memory: z.number(),
  /** Seconds since the server was started. */
  up: z.number(),
})
/** What happens to work that is older than the school keeps. */
export const retentionStateSchema = z.object({
  months: z.number().nullable(),
  /** A clock that has jumped erases nothing until somebody says that it is right. */
  clock: z.enum(['steady', 'ahead', 'behind']),
  /** What the clock shows. */
  now: z.string(),
  /** What goes into the bin, and when. */
  plan: z.object({ on: z.string(), count: z.number() }).nullable(),
  /** What lies there, and when the first of it is gone. */
  bin: z.object({ count: z.number(), until: z.string() }).nullable(),
})
export type RetentionState = z.infer<typeof retentionStateSchema>
export const retentionSchema = z.strictObject({
  months: z.union([z.literal([6, 12, 24, 36, 60]), z.null()]),
})
export type Status = z.infer<typeof statusSchema>
