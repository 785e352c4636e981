import { z } from 'zod'
import { failureSchema, type Failure } from './failure'

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
