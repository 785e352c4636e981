import { z } from 'zod'
import {
  arrangementSchema,
  concludeStep,
  frameSchema,
  hintStep,
  inferStep,
  operateStep,
  renewStep,
  repairStep,
  stepSchema,
  testStep,
} from '../core/attempt'
import { judgementSchema } from '../core/assessment/verdict'
import { circuitSchema } from '../core/circuit'
import { messageSchema } from '../core/document'

export const deskSchema = z.object({
  id: z.uuid(),
  complaint: z.string(),
  /** The circuit as drawn, that is without the fault. */
  circuit: circuitSchema,
  /** What of the frame a student is told. */
  frame: frameSchema.pick({
    procedure: true,
    faults: true,
    families: true,
    bag: true,
    meter: true,
    mode: true,
    source: true,
    hints: true,
    limit: true,
    handbook: true,
  }),
  /** Seconds that are left of the time limit, on the server’s clock; null without one. */
  left: z.number().nullable(),
  steps: z.array(stepSchema),
  concluded: z.boolean(),
})
export type Desk = z.infer<typeof deskSchema>

/** What a student may ask for: steps without what only the bench can add. */
export const actionSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('operate'),
    arrangement: arrangementSchema,
    also: operateStep.shape.also,
    says: z.enum(['asComplained', 'notReproduced']).optional(),
    /** On a real board: what the student sees there. */
    seen: operateStep.shape.seen.optional(),
  }),
  testStep.omit({ did: true }).extend({ reading: testStep.shape.reading.optional() }),
  inferStep,
  concludeStep,
  repairStep.omit({ did: true }),
  renewStep,
  hintStep.omit({ says: true }),
])

/** What a student sends. `key` is made by the browser, so that a step sent twice is taken once. */
export const deskActionSchema = z.object({ key: z.uuid(), action: actionSchema })
export type DeskAction = z.infer<typeof deskActionSchema>

/** The step as the server recorded it. */
export const acknowledgedSchema = z.object({ position: z.number(), step: stepSchema })

/** A typed reading that is unusual is asked about before it is taken down: the question is a step, the reading none yet. */
export const questionSchema = acknowledgedSchema.extend({ question: messageSchema })
export const takenSchema = z.union([questionSchema, acknowledgedSchema])
export type Taken = z.infer<typeof takenSchema>

/** What each step of a practice is told at once. */
export const verdictsSchema = z.array(judgementSchema)
export type Verdicts = z.infer<typeof verdictsSchema>

/** What a student answers to a verdict; an empty text takes it back. */
export const replySchema = z.strictObject({
  step: z.number().int().min(-1).max(1000),
  verdict: z.string().max(120),
  body: z.string().trim().max(500),
})
export const repliesSchema = z.array(replySchema)
export type Reply = z.infer<typeof replySchema>
