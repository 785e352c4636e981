import { z } from 'zod'
import { circuitSchema } from '../core/circuit'
import { arrangementSchema, concludeStep, inferStep, predictionSchema, stepSchema } from '../core/assessment'

/** A student's own work orders. Nothing here, or anywhere below, says what was planted. */
export const deskListSchema = z.array(
  z.object({
    id: z.uuid(),
    circuit: z.string(),
    complaint: z.string(),
    created: z.string(),
    concluded: z.string().nullable(),
  }),
)
export type DeskList = z.infer<typeof deskListSchema>

export const deskSchema = z.object({
  id: z.uuid(),
  complaint: z.string(),
  /** The circuit as drawn, that is without the fault. */
  circuit: circuitSchema,
  steps: z.array(stepSchema),
  concluded: z.boolean(),
})
export type Desk = z.infer<typeof deskSchema>

/** What a student sends. `key` is made by the browser, so that a step sent twice is taken once. */
export const deskActionSchema = z.object({
  key: z.uuid(),
  action: z.discriminatedUnion('type', [
    z.object({ type: z.literal('operate'), arrangement: arrangementSchema }),
    z.object({
      type: z.literal('test'),
      arrangement: arrangementSchema,
      function: z.enum(['volts', 'ohms', 'continuity']),
      red: z.string().max(20),
      black: z.string().max(20),
      prediction: predictionSchema,
    }),
    inferStep,
    concludeStep,
  ]),
})
export type DeskAction = z.infer<typeof deskActionSchema>

/** The step as the server recorded it. */
export const acknowledgedSchema = z.object({ position: z.number(), step: stepSchema })
export type Acknowledged = z.infer<typeof acknowledgedSchema>
