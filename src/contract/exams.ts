import { z } from 'zod'
import { coded, say } from '../core/document'
import { handbookModes } from '../core/attempt/modes'

export const newExamSchema = z
  .object({
    lesson: z.uuid(),
    name: z
      .string()
      .trim()
      .min(1, coded(say('school.examName')))
      .max(120),
    students: z
      .array(z.uuid())
      .min(1, coded(say('school.chooseStudent')))
      .max(400),
    opens: z.iso.datetime({ offset: true }),
    closes: z.iso.datetime({ offset: true }),
    minutes: z.number().int().min(5).max(480),
    room: z.string().trim().max(80),
    handbook: z.enum(handbookModes),
    /** Who is entitled to more time, and how much more, per cent. */
    more: z.object({ students: z.array(z.uuid()).max(400), percent: z.number().int().min(0).max(200) }),
    key: z.uuid().optional(),
  })
  .refine(({ opens, closes, minutes }) => Date.parse(closes) - Date.parse(opens) >= minutes * 60_000, {
    path: ['closes'],
    error: coded(say('school.examWindow')),
  })
export type NewExam = z.infer<typeof newExamSchema>

export const examMadeSchema = z.object({
  id: z.uuid(),
  /** By how much the hardest variant is harder than the easiest, logits; 0 where all are alike. */
  apart: z.number(),
})

const examRowSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  lessonId: z.uuid().nullable(),
  lesson: z.string().nullable(),
  opens: z.string(),
  closes: z.string(),
  minutes: z.number().int(),
  room: z.string(),
  handbook: z.enum(handbookModes),
  apart: z.number(),
  released: z.string().nullable(),
  students: z.number().int(),
  begun: z.number().int(),
  handedIn: z.number().int(),
})
export const examListSchema = z.array(examRowSchema)
export type ExamRow = z.infer<typeof examRowSchema>

export const examSchema = examRowSchema.extend({
  orders: z.array(
    z.object({
      id: z.uuid(),
      student: z.string(),
      seat: z.string().nullable(),
      variant: z.number().int(),
      extra: z.number().int(),
      started: z.string().nullable(),
      concluded: z.string().nullable(),
      found: z.boolean().nullable(),
      mark: z.number().nullable(),
      minutes: z.number().nullable(),
    }),
  ),
  /** What each variant has shown. */
  items: z.array(
    z.object({
      variant: z.number().int(),
      name: z.string(),
      handedIn: z.number().int(),
      found: z.number().int(),
      mark: z.number().nullable(),
      minutes: z.number().nullable(),
      /** Logits; null where it has not been worked out. */
      difficulty: z.number().nullable(),
      /** Correlation of the mark with the same students' other marks; null where there are too few. */
      discrimination: z.number().nullable(),
    }),
  ),
})
export type Exam = z.infer<typeof examSchema>

/** What of the Handbook is open to who asks: less while an examination of theirs is under way. */
export const ownExamSchema = z.object({ handbook: z.enum(handbookModes).nullable() })
