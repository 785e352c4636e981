import { z } from 'zod'
import { messageSchema } from '../document'

/** What a mark is made of, in the order in which a review shows it. */
export const aspects = ['prediction', 'technique', 'inference', 'efficiency', 'conclusion'] as const
export type Aspect = (typeof aspects)[number]
export const aspectNames: Readonly<Record<Aspect, string>> = {
  prediction: 'Predictions',
  technique: 'Technique',
  inference: 'Inference',
  efficiency: 'Efficiency',
  conclusion: 'Conclusion',
}

export const grades = ['good', 'partly', 'poor', 'neutral'] as const
export type Grade = (typeof grades)[number]

/** One judgement with its reason, tied to the step that earned it: codes with parameters, words are made where it is shown. */
export const judgementSchema = z.strictObject({
  aspect: z.enum(aspects),
  step: z.number().int(),
  grade: z.enum(grades),
  /** Short: “follows”, “too early”. */
  verdict: messageSchema,
  /** One plain sentence. */
  reason: messageSchema,
  /** Share of the full mark, 0 to 1; absent where nothing is marked. */
  share: z.number().optional(),
})
export type Judgement = z.infer<typeof judgementSchema>

export const judgedSchema = z.strictObject({
  judgements: z.array(judgementSchema),
  marks: z.array(z.strictObject({ aspect: z.enum(aspects), points: z.number(), of: z.number() })),
  total: z.number(),
  of: z.number(),
  /** After each step: pieces still suspect by the evidence. */
  suspects: z.array(z.array(z.string())),
  /** What the evidence says when its readings contradict each other; empty otherwise. */
  contradictions: z.array(messageSchema),
})
export type JudgedAttempt = z.infer<typeof judgedSchema>
export type Mark = JudgedAttempt['marks'][number]
