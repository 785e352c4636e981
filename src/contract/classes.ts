import { z } from 'zod'
import { problemSchema } from '../core/document'

export const classListSchema = z.array(
  z.object({
    id: z.uuid(),
    name: z.string(),
    term: z.string(),
    /** Whoever asks teaches it. */
    own: z.boolean(),
    members: z.array(z.object({ id: z.uuid(), name: z.string(), login: z.string() })),
  }),
)
export type ClassList = z.infer<typeof classListSchema>
export const newClassSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  term: z.string().trim().max(40).default(''),
})
export const memberSchema = z.strictObject({ student: z.uuid() })
export const teachingSchema = z.strictObject({ teaches: z.boolean() })

export const rosterSchema = z.strictObject({
  files: z
    .array(z.strictObject({ name: z.string().max(120), text: z.string().max(1_500_000) }))
    .min(1)
    .max(20),
  /** Of a plain table: which column holds what. */
  columns: z
    .strictObject({
      name: z.number().int(),
      given: z.number().int(),
      family: z.number().int(),
      login: z.number().int(),
      class: z.number().int(),
    })
    .optional(),
  /** What an instructor says of sign-in names that somebody else may have: by sign-in name. */
  answers: z.record(z.string().max(60), z.enum(['same', 'other', 'skip'])).default({}),
})
/** What an import would change, row by row; nothing is changed yet. */
export const rosterPlanSchema = z.object({
  people: z.array(
    z.object({
      name: z.string(),
      /** The sign-in name that the file gives, by which an instructor answers; and the one of the account. */
      given: z.string(),
      login: z.string(),
      /**
       * `question`: there is an account of this sign-in name, which may be somebody else's. Nothing happens to it until an
       * instructor says whose it is.
       */
      what: z.enum(['new', 'same', 'renamed', 'question', 'skipped']),
      /** The name that the account has now. */
      was: z.string(),
    }),
  ),
  classes: z.array(z.object({ name: z.string(), what: z.enum(['new', 'same']), joins: z.number() })),
  problems: z.array(problemSchema),
})
export type RosterPlan = z.infer<typeof rosterPlanSchema>
/** Passwords are made up here and told once, for the slips. */
export const rosterDoneSchema = z.object({
  added: z.array(z.object({ name: z.string(), login: z.string(), password: z.string() })),
  renamed: z.number(),
  joined: z.number(),
})
export type RosterDone = z.infer<typeof rosterDoneSchema>
