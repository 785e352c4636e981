import { z } from 'zod'
import { circuitSchema } from '../core/circuit'
import { coded, messageSchema, say } from '../core/document'
import { drillSetSchema } from './drill-sets'

/** Most items that a class is set at once. */
const mostItems = 60

const keySchema = z.string().max(30)

/** A question as its student has it: without its key. */
export const drillItemSchema = z.object({
  id: z.uuid(),
  kind: z.string(),
  circuit: circuitSchema,
  state: z.string(),
  detached: z.array(z.string()),
  leads: z.tuple([z.string(), z.string()]).nullable(),
  given: z.array(messageSchema),
  asks: messageSchema,
  answer: z.discriminatedUnion('type', [
    z.object({ type: z.literal('choice'), options: z.array(messageSchema) }),
    z.object({ type: z.literal('value'), unit: z.string(), direction: z.boolean() }),
  ]),
})
export type DrillItem = z.infer<typeof drillItemSchema>

export const askDrillSchema = z.strictObject({
  /** The set that it counts for. */
  set: z.uuid().optional(),
  /** One kind alone. */
  kind: keySchema.optional(),
})

export const drillAnswerSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('choice'), option: z.number().int().min(0).max(20) }),
  z.strictObject({
    type: z.literal('value'),
    value: z.number(),
    direction: z.enum(['higher', 'same', 'lower']).optional(),
  }),
])
export type DrillAnswer = z.infer<typeof drillAnswerSchema>

/** What is told at once. */
export const drillToldSchema = z.object({
  share: z.number(),
  right: z.boolean(),
  but: messageSchema.nullable(),
  why: messageSchema,
  key: messageSchema,
  /** Place of the right answer, where one was chosen. */
  option: z.number().int().nullable(),
})
export type DrillTold = z.infer<typeof drillToldSchema>

export const newDrillSetSchema = z.strictObject({
  class: z.uuid(),
  name: z
    .string()
    .trim()
    .min(1, coded(say('school.drillName')))
    .max(80),
  kinds: z
    .array(keySchema)
    .min(1, coded(say('school.drillKinds')))
    .max(30),
  items: z.number().int().min(1).max(mostItems),
  due: z.iso.date(),
})
export type NewDrillSet = z.infer<typeof newDrillSetSchema>

/** A set as its instructor sees it: who has done how much. */
export const setProgressSchema = z.array(
  drillSetSchema.omit({ done: true }).extend({
    students: z.array(
      z.object({ id: z.uuid(), name: z.string(), done: z.number().int(), right: z.number() }),
    ),
  }),
)
export type SetProgress = z.infer<typeof setProgressSchema>
