import { z } from 'zod'

/** Most classes, and most people one by one, that a scope names. */
export const mostClasses = 60
export const mostPeople = 500

/** Whose work is meant: of these classes, or of these people of theirs; everybody's where nothing is named. */
export const scopeSchema = z.strictObject({
  classes: z.array(z.uuid()).max(mostClasses).default([]),
  students: z.array(z.uuid()).max(mostPeople).default([]),
})
export type Scope = z.output<typeof scopeSchema>
export const everybody: Scope = { classes: [], students: [] }

/** The same in the query of an address: each is named as often as there are some. */
export const scopeQuerySchema = z.object({
  class: z
    .union([z.uuid(), z.array(z.uuid()).max(mostClasses)])
    .optional()
    .transform((one) => (one === undefined ? [] : [one].flat())),
  student: z
    .union([z.uuid(), z.array(z.uuid()).max(mostPeople)])
    .optional()
    .transform((one) => (one === undefined ? [] : [one].flat())),
})

/** What follows the last row of a page; absent: from the beginning. */
export const afterSchema = z.string().max(200).optional()

/** One page of a list: its rows, how many there are in all, and what to ask for the next with. */
export const pageOf = <T extends z.ZodType>(row: T) =>
  z.object({ rows: z.array(row), count: z.number().int(), after: z.string().nullable() })
export interface Page<T> {
  readonly rows: T[]
  readonly count: number
  readonly after: string | null
}
