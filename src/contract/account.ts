import { z } from 'zod'
import { coded, say } from '../core/document'

export const roleSchema = z.enum(['instructor', 'student'])
export type Role = z.infer<typeof roleSchema>

/** A language by its key, such as `de`; '' for the browser's own. What there is, the browser knows. */
const languageTag = z.string().regex(/^([a-z]{2,3}(-[A-Za-z0-9]{2,8})?)?$/)
export const languageSchema = z.strictObject({ language: languageTag })

export const userSchema = z.object({
  id: z.uuid(),
  login: z.string(),
  name: z.string(),
  role: roleSchema,
  /** The password was chosen by somebody else, and is to be changed. */
  mustChange: z.boolean().optional(),
  /** Language that was chosen: `de`; '' where none was. */
  language: languageTag.optional(),
  /** Signed in with a bench's card: for the orders of this bench of this lab day, and nothing else. */
  bench: z.object({ day: z.uuid(), stand: z.number().int(), name: z.string() }).nullish(),
})
export type User = z.infer<typeof userSchema>

export const sessionSchema = z.object({
  user: userSchema.nullable(),
  /** The school has no instructor yet. */
  setUp: z.boolean(),
  /** What the sign-in by the school's own directory is called; null where there is none. */
  directory: z.string().nullish(),
  /** Other sessions of the account that are open; said once, at the sign-in. */
  others: z.number().optional(),
})
export type Session = z.infer<typeof sessionSchema>

export const signInSchema = z.object({
  login: z
    .string()
    .min(1, coded(say('school.enterLogin')))
    .max(60),
  password: z
    .string()
    .min(1, coded(say('school.enterPassword')))
    .max(200),
})

/** A passphrase of a few words is the best: the server refuses what is common (12 as the least is common practice). */
export const leastPassword = 12

const newPassword = z
  .string()
  .min(leastPassword, coded(say('school.passwordShort', { least: leastPassword })))
  .max(200)

/** A password of one’s own is changed by whoever knows it. */
export const changePasswordSchema = z.strictObject({
  current: z
    .string()
    .min(1, coded(say('school.enterPassword')))
    .max(200),
  password: newPassword,
})
/** The password of somebody else, made up by the server and told once. */
export const resetSchema = z.object({ password: z.string() })
/** A student's code for signing in at a bench, told once. */
export const benchCodeSchema = z.object({ code: z.string() })

export const signInsSchema = z.array(
  z.object({
    at: z.string(),
    login: z.string(),
    address: z.string(),
    outcome: z.enum(['in', 'wrong', 'waits', 'out', 'card', 'directory']),
  }),
)
export type SignIns = z.infer<typeof signInsSchema>

export const newAccountSchema = z.object({
  login: z.string().regex(/^[a-z0-9][a-z0-9.-]{1,39}$/, coded(say('school.loginShape'))),
  name: z
    .string()
    .trim()
    .min(1, coded(say('school.enterName')))
    .max(80),
  password: newPassword,
})
/** The first instructor's account, and the school's name. */
export const setUpSchema = newAccountSchema.extend({ school: z.string().trim().max(80).default('') })
export const schoolNameSchema = z.strictObject({ name: z.string().trim().max(80) })
export type NewAccount = z.infer<typeof newAccountSchema>
