import { z } from 'zod'
import { coded, messageSchema, say } from '../core/document'

const place = z.string().min(1).max(160)
const circuit = z.string().max(120)
/** What there is to choose from. */
const named = z.array(z.strictObject({ id: z.string().max(40), name: place })).max(400)

/** What a student's screen asks. Whoever puts it sees to it that it says nothing of what is planted. */
export const questionBodySchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('volts'), circuit, state: place, point: place }),
  z.strictObject({ type: z.literal('light'), circuit, state: place, part: place, glows: named }),
  z.strictObject({ type: z.literal('piece'), circuit, state: place, pieces: named }),
  z.strictObject({
    type: z.literal('choice'),
    circuit,
    state: place,
    text: messageSchema,
    choices: z.array(messageSchema).min(2).max(6),
  }),
])
export type QuestionBody = z.infer<typeof questionBodySchema>

export const newQuestionSchema = z.strictObject({
  class: z.uuid().nullable().default(null),
  body: questionBodySchema,
})

/** Volts, or a word, a piece or the number of a choice. */
export const answerSchema = z.strictObject({
  value: z.union([
    z
      .number()
      .min(-100, coded(say('school.answerRange')))
      .max(100, coded(say('school.answerRange'))),
    z.string().min(1).max(40),
  ]),
})
export type Answer = z.infer<typeof answerSchema>

/** What is open for a student, with what they have answered so far. */
export const askedSchema = z
  .object({
    id: z.uuid(),
    body: questionBodySchema,
    mine: z.union([z.number(), z.string()]).nullable(),
  })
  .nullable()
export type Asked = z.infer<typeof askedSchema>

/** What walls and remotes of the same instructor say to one another; each wall has an id of its own. */
export const wallMessageSchema = z.discriminatedUnion('type', [
  /** A remote wants to know what is on the wall. */
  z.strictObject({ type: z.literal('who') }),
  /** A remote presses one of the wall's keys. */
  z.strictObject({
    type: z.literal('act'),
    wall: z.uuid(),
    act: z.enum(['next', 'back', 'healthy', 'faulted', 'class']),
  }),
  /** The wall says where it is. */
  z.strictObject({
    type: z.literal('now'),
    wall: z.uuid(),
    title: place,
    question: z.string().max(600),
    asked: z.int().min(0).max(1000),
    all: z.int().min(0).max(1000),
    open: z.boolean(),
    healthy: z.boolean(),
    faulted: z.boolean(),
    live: z.boolean(),
    answers: z.int().min(0).max(10_000),
  }),
  /** The wall shows something else. */
  z.strictObject({ type: z.literal('gone'), wall: z.uuid() }),
])
export type WallMessage = z.infer<typeof wallMessageSchema>

/** All answers to a question, without any name and in no order that tells whose they are. */
export const spreadSchema = z.object({ values: z.array(z.union([z.number(), z.string()])) })
export type Spread = z.infer<typeof spreadSchema>
