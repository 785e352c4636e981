import { z } from 'zod'
import { coded, say } from '../core/document'
import { sessionSchema } from './account'
import { pageOf } from './scope'

const name = z
  .string()
  .trim()
  .min(1, coded(say('school.enterName')))
  .max(60)

/** What is done, and proven, at a bench with a real board, in this order. */
export const checks = ['planted', 'commissioned', 'run', 'restored', 'healthy'] as const

export const standSchema = z.strictObject({
  name,
  /** Null while nothing is chosen for it. */
  lesson: z.uuid().nullable(),
  set: z.number().int().min(0).max(40),
  /** A real board on the bench: what is planted there has to be made, proven, and taken out again. */
  real: z.boolean(),
  meter: z.uuid().optional(),
  checked: z.array(z.enum(checks)).default([]),
})

/** Most benches, and most groups, that a lab day has. */
export const mostStands = 60
/** Most people at one bench. */
export const mostInGroup = 4

/** A day in the workshop as one document: benches in the order in which they stand, rounds, groups, and who is where. */
export const dayBodySchema = z.strictObject({
  start: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/),
  minutes: z.number().int().min(5).max(240),
  rounds: z.number().int().min(1).max(12),
  stands: z.array(standSchema).max(mostStands),
  groups: z.array(z.array(z.uuid()).min(1).max(mostInGroup)).max(mostStands),
  seats: z.array(z.array(z.number().int().min(-1).max(60)).max(12)).max(mostStands),
  /** Rounds that were handed out. */
  out: z.array(z.number().int()).max(12).default([]),
})
export type DayBody = z.infer<typeof dayBodySchema>

export const newDaySchema = z.strictObject({
  name,
  /** In a year that a school may mean. */
  day: z.iso
    .date()
    .refine((day) => day >= '2000-01-01' && day < '2200-01-01', coded(say('school.noSuchDate'))),
  class: z.uuid().nullable().default(null),
  body: dayBodySchema,
})
/** The revision that was read: what somebody else has changed meanwhile is not written over. */
export const changedDaySchema = newDaySchema.extend({ revision: z.int32() })
export const storedDaySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  day: z.string(),
  class: z.uuid().nullable(),
  revision: z.number(),
  /** What is typed with a bench's card on this day. */
  word: z.string(),
  body: dayBodySchema,
})
export type StoredDay = z.infer<typeof storedDaySchema>
const dayRowSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  day: z.string(),
  stations: z.number(),
  rounds: z.number(),
  out: z.number(),
  word: z.string().nullable(),
})
export type DayRow = z.infer<typeof dayRowSchema>
/** Those of today, and the next one. */
export const nearDaysSchema = z.array(dayRowSchema)
export const dayListSchema = pageOf(dayRowSchema)
export type DayList = z.infer<typeof dayListSchema>

/** Where a student stands today, round by round. What is planted there is nobody's business. */
export const ownRoundsSchema = z.array(
  z.object({
    day: z.string(),
    round: z.number(),
    at: z.string(),
    stand: z.string(),
    with: z.array(z.string()),
  }),
)
export type OwnRounds = z.infer<typeof ownRoundsSchema>

/** A bench's card, and the word of the day that goes with it. Benches count from one. */
export const cardSchema = z.strictObject({
  day: z.uuid(),
  stand: z.number().int().min(1).max(60),
  word: z.string().max(60),
})
export const cardPersonSchema = cardSchema.extend({ person: z.uuid() })
/** Who is to be signed in is proved by a code of their own, or by what was given while they wait for the instructor. */
export const cardInSchema = cardPersonSchema.extend({
  code: z.string().max(20).optional(),
  claim: z.string().max(60).optional(),
})
export const claimSchema = z.object({ claim: z.string() })
/** Signed in, or still waiting for the instructor. */
export const cardAnswerSchema = z.union([z.object({ waiting: z.literal(true) }), sessionSchema])

/** Students at benches who wait for the instructor to say that they are who they say. */
export const benchClaimsSchema = z.array(
  z.object({ id: z.uuid(), student: z.string(), station: z.string().nullable(), at: z.string() }),
)
export type BenchClaims = z.infer<typeof benchClaimsSchema>
export const settleClaimSchema = z.strictObject({ confirmed: z.boolean() })
export const cardPeopleSchema = z.object({
  day: z.string(),
  stand: z.string(),
  people: z.array(z.object({ id: z.uuid(), name: z.string() })),
})
export type CardPeople = z.infer<typeof cardPeopleSchema>

/** The day of a moment by the clock of whoever asks: a database may count its days in another zone. */
export const dayOf = (at: Date): string =>
  [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((n) => String(n).padStart(2, '0')).join('-')

/** When a round begins, on the clock; the first is round 0. */
export function clockOf({ start, minutes }: Pick<DayBody, 'start' | 'minutes'>, round: number): string {
  const [h, m] = start.split(':').map(Number) as [number, number]
  const at = h * 60 + m + round * minutes
  return [Math.floor(at / 60) % 24, at % 60].map((n) => String(n).padStart(2, '0')).join(':')
}
