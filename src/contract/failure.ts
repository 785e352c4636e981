import { z } from 'zod'

/** Body of every answer that is not a success: what was wrong and, where it helps, where. */
export const failureSchema = z.object({
  message: z.string(),
  problems: z.array(z.object({ where: z.string(), what: z.string() })).default([]),
})
export type Failure = z.infer<typeof failureSchema>
