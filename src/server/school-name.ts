import type { Queries } from './database'

const fact = 'school'

/** The school's own name; '' where none was given. */
export async function schoolName(db: Queries): Promise<string> {
  const [row] = await db.query<{ body: string }>('select body from facts where name = $1', [fact])
  return row?.body ?? ''
}

export async function nameSchool(db: Queries, name: string): Promise<void> {
  await db.query(
    'insert into facts (name, body) values ($1, $2) on conflict (name) do update set body = excluded.body, at = now()',
    [fact, name.trim()],
  )
}
