import { z } from 'zod'
import { coded } from '../core/document'
import { say } from './phrases'

export const roleSchema = z.enum(['instructor', 'student'])
export type Role = z.infer<typeof roleSchema>

export const userSchema = z.object({ id: z.uuid(), login: z.string(), name: z.string(), role: roleSchema })
export type User = z.infer<typeof userSchema>

/** `setUp` is true while the school has no instructor yet. */
export const sessionSchema = z.object({ user: userSchema.nullable(), setUp: z.boolean() })
export type Session = z.infer<typeof sessionSchema>

export const signInSchema = z.object({
  login: z
    .string()
    .min(1, coded(say('enterLogin')))
    .max(60),
  password: z
    .string()
    .min(1, coded(say('enterPassword')))
    .max(200),
})

const leastPassword = 8

export const newAccountSchema = z.object({
  login: z.string().regex(/^[a-z0-9][a-z0-9.-]{1,39}$/, coded(say('loginShape'))),
  name: z
    .string()
    .trim()
    .min(1, coded(say('enterName')))
    .max(80),
  password: z
    .string()
    .min(leastPassword, coded(say('passwordShort', { least: leastPassword })))
    .max(200),
})
export type NewAccount = z.infer<typeof newAccountSchema>
