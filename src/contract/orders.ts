import { z } from 'zod'
import { circuitSchema } from '../core/circuit'
import { faultSchema } from '../core/faults'
import { rubricSchema, stepSchema } from '../core/assessment'
import { userSchema } from './account'

export const newOrderSchema = z.object({
  circuit: z.uuid(),
  student: z.uuid(),
  complaint: z.string().trim().min(5, 'Write the complaint as the driver would').max(1000),
  faults: z.array(faultSchema).min(1, 'Plant a fault first').max(4),
})
export type NewOrder = z.infer<typeof newOrderSchema>

/** As the instructor sees a work order. */
export const orderRowSchema = z.object({
  id: z.uuid(),
  circuit: z.string(),
  complaint: z.string(),
  student: z.string(),
  created: z.string(),
  concluded: z.string().nullable(),
  tests: z.number(),
})
export type OrderRow = z.infer<typeof orderRowSchema>

const judgementSchema = z.object({
  aspect: z.enum(['prediction', 'technique', 'inference', 'efficiency', 'conclusion']),
  step: z.number(),
  grade: z.enum(['good', 'partly', 'poor', 'neutral']),
  verdict: z.string(),
  reason: z.string(),
  share: z.number().optional(),
})

export const reviewSchema = z.object({
  id: z.uuid(),
  circuit: circuitSchema,
  faults: z.array(faultSchema),
  complaint: z.string(),
  student: userSchema,
  created: z.string(),
  concluded: z.string().nullable(),
  steps: z.array(z.object({ at: z.string(), step: stepSchema })),
  judged: z.object({
    judgements: z.array(judgementSchema),
    marks: z.array(z.object({ aspect: judgementSchema.shape.aspect, points: z.number(), of: z.number() })),
    total: z.number(),
    of: z.number(),
    suspects: z.array(z.array(z.string())),
    contradictions: z.array(z.string()),
    rubric: rubricSchema,
  }),
})
export type Review = z.infer<typeof reviewSchema>
