import { z } from 'zod'
import { door, type Stored } from '../document'

const points = z.number().min(0).max(1000)
const share = z.number().min(0).max(1)

/** How an attempt is marked. Weights are points; they need not add up to a hundred. */
export const rubricSchema = z.strictObject({
  version: z.number().int().min(1),
  weights: z.strictObject({
    verification: points,
    prediction: points,
    technique: points,
    inference: points,
    efficiency: points,
    conclusion: points,
    repair: points,
  }),
  /** Shares of doubt: up to `follows` a piece may be struck out, up to `early` it is a slip; from `proven` a conclusion holds. */
  thresholds: z.strictObject({ follows: share, early: share, proven: share }),
  /** What a slip leaves of a step's mark. */
  slip: share,
  /** What is left of the whole mark, as a share, after one grave error of safety. */
  graveCap: share,
  /** The same, where parts were replaced in turn until it worked. */
  swapCap: share,
})
export type Rubric = z.infer<typeof rubricSchema>
/** Shares of doubt at which something follows, is said too early, or is proven. */
export type Thresholds = Rubric['thresholds']

/** Rubrics of before version 2 weighed five aspects; what they did not know costs nothing. */
const lift = (document: Stored): Stored => ({
  ...document,
  weights: { verification: 0, repair: 0, ...(document.weights as object) },
  thresholds: defaultRubric.thresholds,
  slip: defaultRubric.slip,
  graveCap: defaultRubric.graveCap,
})
/** Of before version 3 nothing was said of parts that are replaced in turn. */
const liftSwaps = (document: Stored): Stored => ({ ...document, swapCap: defaultRubric.swapCap })
export const rubricDoor = door<Rubric>('rubric', 3, rubricSchema, { 1: lift, 2: liftSwaps })

/** Reasoning weighs most. Common practice, no source. */
export const defaultRubric: Rubric = {
  version: 1,
  weights: {
    verification: 5,
    prediction: 15,
    technique: 15,
    inference: 25,
    efficiency: 10,
    conclusion: 20,
    repair: 10,
  },
  thresholds: { follows: 0.02, early: 0.15, proven: 0.98 },
  slip: 0.5,
  graveCap: 0.4,
  swapCap: 0.3,
}
