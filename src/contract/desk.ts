import { z } from 'zod'
import {
  arrangementSchema,
  concludeStep,
  frameSchema,
  inferStep,
  renewStep,
  repairStep,
  stepSchema,
  testStep,
} from '../core/attempt'
import { circuitSchema } from '../core/circuit'

export const deskSchema = z.object({
  id: z.uuid(),
  complaint: z.string(),
  /** The circuit as drawn, that is without the fault. */
  circuit: circuitSchema,
  /** What of the frame a student is told. */
  frame: frameSchema.pick({ faults: true, families: true, bag: true, meter: true, mode: true, source: true }),
  steps: z.array(stepSchema),
  concluded: z.boolean(),
})
export type Desk = z.infer<typeof deskSchema>

/** What a student may ask for: steps without what only the bench can add. */
export const actionSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('operate'),
    arrangement: arrangementSchema,
    says: z.enum(['asComplained', 'notReproduced']).optional(),
  }),
  testStep.omit({ did: true }).extend({ reading: testStep.shape.reading.optional() }),
  inferStep,
  concludeStep,
  repairStep.omit({ did: true }),
  renewStep,
])

/** What a student sends. `key` is made by the browser, so that a step sent twice is taken once. */
export const deskActionSchema = z.object({ key: z.uuid(), action: actionSchema })
export type DeskAction = z.infer<typeof deskActionSchema>

/** The step as the server recorded it. */
export const acknowledgedSchema = z.object({ position: z.number(), step: stepSchema })
export type Acknowledged = z.infer<typeof acknowledgedSchema>
