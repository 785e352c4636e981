import { z } from 'zod'
import { messageSchema, type Words } from '../document'
import { heldSchema, instrumentKey } from '../instruments'

/** What a mark is made of, in the order in which a review shows it. */
export const aspects = [
  'verification',
  'prediction',
  'technique',
  'inference',
  'efficiency',
  'conclusion',
  'repair',
] as const
export type Aspect = (typeof aspects)[number]
export const aspectNames: Readonly<Record<Aspect | 'safety' | 'reading', Words>> = {
  verification: 'assessment.verdict.verification',
  prediction: 'assessment.verdict.predictions',
  technique: 'assessment.verdict.technique',
  reading: 'assessment.verdict.reading',
  inference: 'assessment.verdict.inference',
  efficiency: 'assessment.verdict.efficiency',
  conclusion: 'assessment.verdict.conclusion',
  repair: 'assessment.verdict.repairAndProof',
  safety: 'assessment.verdict.safety',
}

export const grades = ['good', 'partly', 'poor', 'neutral'] as const
export type Grade = (typeof grades)[number]

/** One judgement with its reason, tied to the step that earned it: codes with parameters, words are made where it is shown. */
export const judgementSchema = z.strictObject({
  aspect: z.enum([...aspects, 'safety', 'reading']),
  step: z.number().int(),
  grade: z.enum(grades),
  /** Short: “follows”, “too early”. */
  verdict: messageSchema,
  /** One plain sentence. */
  reason: messageSchema,
  /** Share of the full mark, 0 to 1; absent where nothing is marked. */
  share: z.number().optional(),
  /** How much it counts beside others of its aspect; 1 unless said. */
  weight: z.number().optional(),
  /** Points that it takes off the mark as they are: the price of a hint. */
  cost: z.number().optional(),
  /** The piece that it is about, where it is about one. */
  pieces: z.array(z.string()).optional(),
})
export type Judgement = z.infer<typeof judgementSchema>

/** A test of the model path: what an instrument is held to in which state. */
export const pathStepSchema = z.strictObject({
  instrument: instrumentKey,
  held: heldSchema,
  state: z.string(),
  reading: messageSchema,
  minutes: z.number(),
  /** Pieces that are left after it. */
  left: z.number().int(),
})

export const judgedSchema = z.strictObject({
  judgements: z.array(judgementSchema),
  marks: z.array(
    z.strictObject({
      aspect: z.enum(aspects),
      points: z.number(),
      of: z.number(),
      /** Why it is less than its steps earned; absent where it is not. */
      less: z.array(messageSchema).optional(),
    }),
  ),
  total: z.number(),
  of: z.number(),
  /** The mark before a cap, where a grave error of safety capped it. */
  uncapped: z.number().optional(),
  /** Share of the doubt that the evidence of the whole attempt removed, 0 to 1. */
  evidence: z.number(),
  /** After each step: pieces still suspect by the evidence. */
  suspects: z.array(z.array(z.string())),
  /** After each step: share of the doubt on each suspect piece. */
  doubts: z.array(z.record(z.string(), z.number())),
  /** From what to what size the planted faults could be, by all readings. */
  sizes: z.array(
    z.strictObject({
      piece: z.string(),
      title: messageSchema,
      from: z.number(),
      to: z.number(),
      unit: z.string(),
    }),
  ),
  /** What the evidence says when its readings contradict each other; empty otherwise. */
  contradictions: z.array(messageSchema),
  /** A short honest way through the same circuit. */
  path: z.array(pathStepSchema),
})
export type JudgedAttempt = z.infer<typeof judgedSchema>
export type Mark = JudgedAttempt['marks'][number]
