import { z } from 'zod'
import { aspects, judgedSchema, rubricSchema } from '../core/assessment'
import { frameSchema, handbookModes, stepSchema } from '../core/attempt'
import { circuitSchema } from '../core/circuit'
import { coded, say } from '../core/document'
import { faultSchema } from '../core/faults'
import { userSchema } from './account'
import { repliesSchema } from './desk'

export const newOrderSchema = z
  .object({
    circuit: z.uuid(),
    /** Whoever gets one, each their own. */
    students: z
      .array(z.uuid())
      .min(1, coded(say('school.chooseStudent')))
      .max(400),
    /** From when it is on their desks; at once where nothing is said, or where that is past. */
    opens: z.iso.datetime({ offset: true }).optional(),
    complaint: z
      .string()
      .trim()
      .min(5, coded(say('school.writeComplaint')))
      .max(1000),
    faults: z.array(faultSchema).max(4),
    /** What is wrong with spares of the box, each by the part in whose place it goes. */
    spares: z.array(faultSchema).max(4).optional(),
    /** Nothing is wrong: a false alarm, or a cause that is not electrical. */
    sound: z.boolean().optional(),
    frame: frameSchema.partial().optional(),
    /** The connected meter of the station, where the readings come from one. */
    meter: z.uuid().optional(),
    /** Made by the page for this one act: sent twice, it is handed out once. */
    key: z.uuid().optional(),
  })
  .refine(({ faults, sound }) => faults.length > 0 || sound === true, {
    path: ['faults'],
    error: coded(say('school.plantFirst')),
  })
export type NewOrder = z.infer<typeof newOrderSchema>

/** A mark that the instructor puts in place of the judge’s; null takes it back. */
export const overrideSchema = z
  .strictObject({
    aspect: z.enum(aspects),
    points: z.number().min(0).max(1000).nullable(),
    note: z.string().trim().max(500),
  })
  .refine(({ points, note }) => points === null || note.length >= 3, {
    path: ['note'],
    error: coded(say('school.whyOverride')),
  })
export const overridesSchema = z.array(
  z.object({ aspect: z.enum(aspects), points: z.number(), note: z.string() }),
)
export type Overrides = z.infer<typeof overridesSchema>

/** A review is given to its student, or taken back. */
export const releasedSchema = z.strictObject({ released: z.boolean() })

/** Whether the mark of a newer judge takes the place of the one that was given. */
export const settleRejudgementSchema = z.strictObject({ taken: z.boolean() })

export const reviewSchema = z.object({
  id: z.uuid(),
  circuit: circuitSchema,
  faults: z.array(faultSchema),
  spares: z.array(faultSchema),
  frame: frameSchema,
  complaint: z.string(),
  student: userSchema,
  created: z.string(),
  concluded: z.string().nullable(),
  released: z.string().nullable(),
  steps: z.array(z.object({ at: z.string(), step: stepSchema })),
  rubric: rubricSchema,
  /** Null while it is still to be worked out. */
  judged: judgedSchema.nullable(),
  /** What a newer judge would give of 100, where the mark was given back and would change; null for the student. */
  newerMark: z.number().nullable(),
  /** The mark was changed after it had been given back. */
  markedAnew: z.object({ at: z.string(), before: z.number() }).nullable(),
  overrides: overridesSchema,
  /** What the student answers to verdicts. */
  replies: repliesSchema,
  /** Of an examination: what its record says; null for other work, and for the student. */
  exam: z
    .object({
      name: z.string(),
      room: z.string(),
      seat: z.string().nullable(),
      minutes: z.number(),
      extra: z.number(),
      handbook: z.enum(handbookModes),
      /** Logits; null where it has not been worked out. */
      difficulty: z.number().nullable(),
      /** Digests of the rubric and the engine that the mark was made with. */
      rubric: z.string(),
      engine: z.string(),
    })
    .nullable(),
})
export type Review = z.infer<typeof reviewSchema>
