import { z } from 'zod'
import { messageSchema, problemSchema } from '../core/document'

/** Body of every answer that is not a success: what was wrong and, where it helps, where; as codes. */
export const failureSchema = z.object({
  message: messageSchema,
  problems: z.array(problemSchema).default([]),
})
export type Failure = z.infer<typeof failureSchema>
