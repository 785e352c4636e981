import { z } from 'zod'
import { door } from '../document'

/** Weights of a mark, in points; they need not add up to a hundred. */
export const rubricSchema = z.strictObject({
  version: z.number().int(),
  weights: z.strictObject({
    prediction: z.number().min(0),
    technique: z.number().min(0),
    inference: z.number().min(0),
    efficiency: z.number().min(0),
    conclusion: z.number().min(0),
  }),
})
export type Rubric = z.infer<typeof rubricSchema>
export const rubricDoor = door<Rubric>('rubric', 1, rubricSchema)

/** The first rubric: reasoning weighs most. Common practice, no source. */
export const defaultRubric: Rubric = {
  version: 1,
  weights: { prediction: 20, technique: 20, inference: 30, efficiency: 10, conclusion: 20 },
}
