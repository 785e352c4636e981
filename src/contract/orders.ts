import { z } from 'zod'
import { judgedSchema, rubricSchema } from '../core/assessment'
import { frameSchema, stepSchema } from '../core/attempt'
import { circuitSchema } from '../core/circuit'
import { coded } from '../core/document'
import { faultSchema } from '../core/faults'
import { userSchema } from './account'
import { say } from './phrases'

export const newOrderSchema = z.object({
  circuit: z.uuid(),
  student: z.uuid(),
  complaint: z
    .string()
    .trim()
    .min(5, coded(say('writeComplaint')))
    .max(1000),
  faults: z
    .array(faultSchema)
    .min(1, coded(say('plantFirst')))
    .max(4),
  frame: frameSchema.partial().optional(),
})
export type NewOrder = z.infer<typeof newOrderSchema>

export const reviewSchema = z.object({
  id: z.uuid(),
  circuit: circuitSchema,
  faults: z.array(faultSchema),
  frame: frameSchema,
  complaint: z.string(),
  student: userSchema,
  created: z.string(),
  concluded: z.string().nullable(),
  steps: z.array(z.object({ at: z.string(), step: stepSchema })),
  rubric: rubricSchema,
  judged: judgedSchema,
})
export type Review = z.infer<typeof reviewSchema>
