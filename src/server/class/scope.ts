import type { z } from 'zod'
import { scopeQuerySchema, type Scope } from '../../contract'
import type { Queries } from '../database'

/** Out of the query of an address. @throws ZodError */
export function scopeOf(query: unknown): Scope {
  const { class: classes, student } = scopeQuerySchema.parse(query) satisfies z.output<
    typeof scopeQuerySchema
  >
  return { classes, students: student }
}

/**
 * The people of a scope by their ids: lists look for these, which is quick however large the school is.
 * @returns null for everybody
 */
export async function peopleOf(db: Queries, { classes, students }: Scope): Promise<string[] | null> {
  if (students.length) return [...students]
  if (!classes.length) return null
  const rows = await db.query<{ id: string }>(
    'select distinct user_id as id from class_members where class_id = any($1::uuid[])',
    [classes],
  )
  return rows.map(({ id }) => id)
}
