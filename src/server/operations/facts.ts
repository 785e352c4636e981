import type { Queries } from '../database'

/** Table `facts`: what a school's computers know of themselves, by name. */

export async function factOf(db: Queries, name: string): Promise<string | undefined> {
  const [row] = await db.query<{ body: string }>('select body from facts where name = $1', [name])
  return row?.body
}

/** Keeps a fact in place of what it was; null forgets it. */
export async function setFact(db: Queries, name: string, body: string | null): Promise<void> {
  if (body === null) await db.query('delete from facts where name = $1', [name])
  else
    await db.query(
      'insert into facts (name, body) values ($1, $2) on conflict (name) do update set body = excluded.body, at = now()',
      [name, body],
    )
}

/** Keeps the moment, by the database's clock, as a fact. */
export const setNow = (db: Queries, name: string): Promise<unknown[]> =>
  db.query(
    `insert into facts (name, body) values ($1, now()::text)
     on conflict (name) do update set body = excluded.body, at = now()`,
    [name],
  )

/** Whether something is this process's to do: it is free, or was taken by it, or by one that has not said so for so long. */
export async function claimFact(db: Queries, name: string, self: string, seconds: number): Promise<boolean> {
  const rows = await db.query(
    `insert into facts (name, body) values ($1, $2) on conflict (name) do update set body = excluded.body, at = now()
       where facts.body = excluded.body or facts.at < now() - $3 * interval '1 second' returning 1`,
    [name, self, seconds],
  )
  return rows.length > 0
}
