import { z } from 'zod'
import { frameSchema, stepSchema } from '../core/attempt'
import { messageSchema, coded, say } from '../core/document'

/** One station as it stands: who, since when, how far, and whether somebody should go there. */
export const floorRowSchema = z.object({
  id: z.uuid(),
  student: z.object({ id: z.uuid(), name: z.string() }),
  circuit: z.string(),
  station: z.string().nullable(),
  round: z.number().nullable(),
  created: z.string(),
  began: z.string().nullable(),
  /** Of the last step. */
  at: z.string().nullable(),
  concluded: z.string().nullable(),
  released: z.string().nullable(),
  tests: z.number(),
  hints: z.number(),
  /** Pieces still in doubt after each step, by the readings; null while it is worked out. */
  left: z.array(z.number()).nullable(),
  /** Tests in a row that told nothing. */
  idle: z.number(),
  /** Grave errors of safety, in the order in which they were made. */
  unsafe: z.array(z.object({ step: z.number(), what: messageSchema })),
  last: stepSchema.nullable(),
  stopped: z.string().nullable(),
  total: z.number().nullable(),
})
export type FloorRow = z.infer<typeof floorRowSchema>
/** The rows of a scope, and how many there are: more than fit are not shown, and said. */
export const floorSchema = z.object({ rows: z.array(floorRowSchema), count: z.number().int() })
export type FloorList = z.infer<typeof floorSchema>

/** What an instructor does to work that is going on. */
export const floorActSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('nudge'),
    text: z
      .string()
      .trim()
      .min(2, coded(say('school.saySomething')))
      .max(300),
  }),
  z.strictObject({
    type: z.literal('stop'),
    text: z
      .string()
      .trim()
      .min(2, coded(say('school.saySomething')))
      .max(300),
  }),
  z.strictObject({ type: z.literal('go') }),
  z.strictObject({ type: z.literal('extend'), minutes: z.number().int().min(1).max(240) }),
  z.strictObject({ type: z.literal('hints') }),
])
export type FloorAct = z.infer<typeof floorActSchema>

/** What a student at work is told of it. */
export const toldSchema = z.object({
  stopped: z.string().nullable(),
  hints: frameSchema.shape.hints,
  left: z.number().nullable(),
  said: z.array(z.object({ id: z.number(), at: z.string(), text: z.string() })),
})
export type Told = z.infer<typeof toldSchema>
