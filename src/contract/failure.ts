import { z } from 'zod'
import { messageSchema, problemSchema } from '../core/document'

/** Body of every answer that is not a success: what was wrong and, where it helps, where; as codes. */
export const failureSchema = z.object({
  message: messageSchema,
  problems: z.array(problemSchema).default([]),
})
export type Failure = z.infer<typeof failureSchema>

/** A line of an answer that takes long: how far it is, then what came of it. */
export const progressedSchema = z.union([
  z.object({ done: z.number(), of: z.number() }),
  z.object({ failure: failureSchema, status: z.number() }),
  z.object({ answer: z.unknown() }),
])
export type Progressed =
  | { readonly done: number; readonly of: number }
  | { readonly failure: Failure; readonly status: number }
  | { readonly answer: unknown }
