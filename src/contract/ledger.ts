import { z } from 'zod'
import { pageOf } from './scope'

const levelSchema = z.object({
  level: z.number(),
  spread: z.number(),
  evidence: z.number(),
  thin: z.boolean(),
})
export const ledgerStudentSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  attempts: z.number(),
  mean: z.number().nullable(),
  /** Answers of drills that count in the skills, with less weight. */
  drills: z.number().int(),
  skills: z.record(z.string(), levelSchema),
  /** Topics that it would help most to meet next, the first first. */
  next: z.array(z.string()),
})
export const ledgerStudentsSchema = pageOf(ledgerStudentSchema)
export type LedgerStudents = z.infer<typeof ledgerStudentsSchema>

export const ledgerSchema = z.object({
  faults: z.array(
    z.object({
      circuit: z.string(),
      fault: z.string(),
      attempts: z.number(),
      found: z.number(),
      tests: z.number(),
      minutes: z.number(),
      /** The wrong piece that was concluded most often. */
      wrong: z.string().nullable(),
      /** How hard it is by all that is known, in logits with its standard deviation; null where that is too little. */
      difficulty: z.number().nullable(),
      spread: z.number().nullable(),
      /** The same as it was worked out before anybody tried it; null where it was not. */
      computed: z.number().nullable(),
      /** How sharply it parts able students from others; 1 is usual. */
      discrimination: z.number().nullable(),
    }),
  ),
  /** How many faults there are, where more than fit are met. */
  allFaults: z.number().int(),
  reliability: z.array(
    z.object({ from: z.number(), to: z.number(), sure: z.number(), right: z.number(), count: z.number() }),
  ),
})
export type Ledger = z.infer<typeof ledgerSchema>

/** How far finished work has been judged by the engine that runs now, and how many marks wait for an instructor's word. */
export const judgingStateSchema = z.object({
  all: z.number().int(),
  done: z.number().int(),
  waiting: z.number().int(),
})
export type JudgingState = z.infer<typeof judgingStateSchema>

/** One finished order, for whoever keeps marks elsewhere. */
export const markRowSchema = z.object({
  student: z.string(),
  circuit: z.string(),
  fault: z.string(),
  finished: z.string(),
  found: z.boolean(),
  readings: z.number(),
  minutes: z.number(),
  points: z.record(z.string(), z.number()),
  mark: z.number(),
  /** Step and code of each verdict. */
  verdicts: z.array(z.string()),
  notes: z.array(z.string()),
})
export type MarkRow = z.infer<typeof markRowSchema>
export const marksSchema = pageOf(markRowSchema)
export type Marks = z.infer<typeof marksSchema>

const attemptSchema = z.object({
  id: z.uuid(),
  at: z.string(),
  circuit: z.string(),
  fault: z.string(),
  total: z.number(),
  right: z.boolean(),
  tests: z.number(),
})
/** One student's course: attempt by attempt, with what each says of which skill. */
export const courseSchema = pageOf(
  attemptSchema.extend({ evidence: z.array(z.tuple([z.string(), z.number(), z.number()])) }),
)
export type Course = z.infer<typeof courseSchema>

/** The attempts behind a figure of the records. */
export const attemptsSchema = pageOf(
  attemptSchema.extend({
    student: z.string(),
    /** The piece that was concluded wrongly. */
    wrong: z.string().nullable(),
    sure: z.number().nullable(),
  }),
)
export type Attempts = z.infer<typeof attemptsSchema>

/** Which attempts: those on one fault, or those whose students were so sure. */
export const attemptsQuerySchema = z.object({
  circuit: z.string().max(200).optional(),
  fault: z.string().max(4000).optional(),
  /** Per cent, from this up to twenty more. */
  sure: z.coerce.number().int().min(0).max(100).optional(),
})
export type AttemptsQuery = z.infer<typeof attemptsQuerySchema>

/** Rules of measuring that were broken of late, the most frequent first. */
export const commonMistakesSchema = z.array(z.object({ rule: z.string(), times: z.number().int() }))
export type CommonMistakes = z.infer<typeof commonMistakesSchema>
