import { z } from 'zod'
import { messageSchema } from '../core/document'
import { lessonSchema } from '../core/lab/lesson'
import { orderModes } from '../core/attempt/modes'

export const lessonRowSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  folder: z.string(),
  version: z.number(),
  circuit: z.string(),
  vehicle: z.string(),
  /** Names of its sets, in order. */
  sets: z.array(z.string()),
  /** Kind of the first fault of each set. */
  kinds: z.array(z.string()),
  mode: z.enum(orderModes),
  /** How hard each set is, in logits; null where that has not been worked out. */
  difficulties: z.array(z.number().nullable()).nullable(),
  updated: z.string(),
})
export type LessonRow = z.infer<typeof lessonRowSchema>
export const lessonListSchema = z.array(lessonRowSchema)
export const storedLessonSchema = z.object({ id: z.uuid(), version: z.number(), lesson: lessonSchema })
export type StoredLesson = z.infer<typeof storedLessonSchema>
/** How hard an order is before anybody has tried it, in logits, with what makes it so. */
export const difficultySchema = z.object({
  difficulty: z.number(),
  spread: z.number(),
  reasons: z.array(z.object({ key: z.string(), adds: z.number(), says: messageSchema })),
})
/** Of each set of a lesson; null while it is worked out. */
export const setDifficultiesSchema = z.object({ sets: z.array(difficultySchema.nullable()).nullable() })
export const lessonVersionsSchema = z.array(
  z.object({ version: z.number(), at: z.string(), sets: z.number(), circuit: z.string() }),
)
export type LessonVersions = z.infer<typeof lessonVersionsSchema>

/** From Plant in one step: a new lesson, or one more set of faults for one that is there. */
export const keepLessonSchema = z.strictObject({
  lesson: lessonSchema.pick({ name: true, folder: true, note: true, frame: true }),
  circuit: z.uuid(),
  set: lessonSchema.shape.sets.element,
  /** The lesson that gets another set. */
  into: z.uuid().optional(),
})

/** To one, to several, to a class: each gets a set, drawn or all the same. */
export const handOutSchema = z.strictObject({
  students: z.array(z.uuid()).min(1).max(400),
  set: z.number().int().min(0).max(1000).nullable(),
  /** Made by the page for this one act: sent twice, it is handed out once. */
  key: z.uuid().optional(),
})
