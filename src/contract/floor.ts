import { z } from 'zod'
import { frameSchema, stepSchema } from '../core/attempt'
import { coded, say } from '../core/document'
import { floorBaseSchema } from './floor-base'

/** One station as it stands: who, since when, how far, and whether somebody should go there. */
export const floorRowSchema = floorBaseSchema.extend({ last: stepSchema.nullable() })
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
