import { z } from 'zod'
import { judgedSchema, rubricSchema } from '../core/assessment'

/** A new version of how attempts are marked, made from version `after`. */
export const newRubricSchema = z.strictObject({ rubric: rubricSchema, after: z.int32() })
export type NewRubric = z.infer<typeof newRubricSchema>

/** A draft is tried on an order, or on the attempt that ships with us. */
export const tryRubricSchema = z.strictObject({ rubric: rubricSchema, order: z.uuid().optional() })
export const triedRubricSchema = judgedSchema.pick({ marks: true, total: true, of: true, uncapped: true })
export type TriedRubric = z.infer<typeof triedRubricSchema>

export const rubricRowSchema = z.object({
  rubric: rubricSchema,
  /** None for the one that ships with us. */
  by: z.string().nullable(),
  at: z.string().nullable(),
})
export type RubricRow = z.infer<typeof rubricRowSchema>
export const rubricListSchema = z.object({ versions: z.array(rubricRowSchema) })
export type RubricList = z.infer<typeof rubricListSchema>
