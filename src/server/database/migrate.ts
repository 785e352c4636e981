import { readdirSync, readFileSync } from 'node:fs'
import type { Database, Queries } from './database'

const folder = new URL('./migrations/', import.meta.url)
/** Any number that nothing else in this database takes as an advisory lock. */
const lock = 72_61_99
/** Seconds that bringing a large database up to date may take. */
const longest = 3600

/** Waits until no other process starts on this database, and holds it until the transaction is over. */
export const takeStartLock = (tx: Queries): Promise<unknown> =>
  tx.query(`select pg_advisory_xact_lock(${lock})`)

/**
 * Brings the database up to date: numbered files, forward only, all that are missing in one transaction. Two processes
 * that start at once take turns. A database that is newer than this program is left alone.
 */
export async function migrate(database: Database): Promise<void> {
  const files = readdirSync(folder)
    .filter((name) => /^\d+.*\.sql$/.test(name))
    .sort()
  await database.transaction(
    async (db) => {
      await takeStartLock(db)
      await db.query(
        'create table if not exists migrations (name text primary key, at timestamptz not null default now())',
      )
      const done = await db.query<{ name: string }>('select name from migrations order by name')
      const unknown = done.find(({ name }) => !files.includes(name))
      if (unknown)
        throw new Error(
          `This database was made by a newer Brachyon (it has ${unknown.name}): start that one, or restore a backup of before.`,
        )
      for (const name of files) {
        if (done.some((row) => row.name === name)) continue
        for (const statement of statementsOf(readFileSync(new URL(name, folder), 'utf8')))
          await db.query(statement)
        await db.query('insert into migrations (name) values ($1)', [name])
      }
    },
    { longest },
  )
}

/** Statements of a file, one by one: a bound query takes no more. Migrations hold no text with a semicolon. */
const statementsOf = (sql: string): string[] =>
  sql
    .replace(/^\s*--.*$/gm, '')
    .split(';')
    .map((statement) => statement.trim())
    .filter(Boolean)
