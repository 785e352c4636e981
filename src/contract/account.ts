import { z } from 'zod'

export const roleSchema = z.enum(['instructor', 'student'])
export type Role = z.infer<typeof roleSchema>

export const userSchema = z.object({ id: z.uuid(), login: z.string(), name: z.string(), role: roleSchema })
export type User = z.infer<typeof userSchema>

/** `setUp` is true while the school has no instructor yet. */
export const sessionSchema = z.object({ user: userSchema.nullable(), setUp: z.boolean() })
export type Session = z.infer<typeof sessionSchema>

export const signInSchema = z.object({
  login: z.string().min(1, 'Enter your sign-in name').max(60),
  password: z.string().min(1, 'Enter your password').max(200),
})

export const newAccountSchema = z.object({
  login: z
    .string()
    .regex(/^[a-z0-9][a-z0-9.-]{1,39}$/, 'A sign-in name is 2 to 40 small letters, digits, dots or dashes'),
  name: z.string().trim().min(1, 'Enter a name').max(80),
  password: z.string().min(8, 'A password has at least 8 characters').max(200),
})
export type NewAccount = z.infer<typeof newAccountSchema>
