import { readdirSync, readFileSync } from 'node:fs'
import type { Database } from './database'

const folder = new URL('./migrations/', import.meta.url)

/** Brings the database up to date: numbered files, forward only, each in a transaction and run once. */
export async function migrate(database: Database): Promise<void> {
  await database.script(
    'create table if not exists migrations (name text primary key, at timestamptz not null default now())',
  )
  const done = new Set(
    (await database.query<{ name: string }>('select name from migrations')).map((row) => row.name),
  )
  const files = readdirSync(folder)
    .filter((name) => /^\d+.*\.sql$/.test(name))
    .sort()
  for (const name of files.filter((file) => !done.has(file))) {
    const sql = readFileSync(new URL(name, folder), 'utf8')
    // The file's own name is the only thing put into the text, and it has just been matched.
    await database.script(
      `begin; ${sql}; insert into migrations (name) values ('${name.replace(/'/g, '')}'); commit;`,
    )
  }
}
