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
export const retentionSchema = z.strictObject({
  months: z.union([z.literal([6, 12, 24, 36, 60]), z.null()]),
})
export type Status = z.infer<typeof statusSchema>
