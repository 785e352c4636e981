import type { Database, Queries } from '../database'
import { BackupWriter } from './backup-file'

/**
 * Tables that a backup leaves out: sign-ins under way, counters, what can be worked out again, and questions asked in a
 * lesson, which are nobody's record. Whoever restores signs in again.
 */
export const leftOut: readonly string[] = [
  'migrations',
  'sessions',
  'wrong_tries',
  'request_counts',
  'bench_claims',
  'directory_visits',
  'done_requests',
  'prepared',
  'attempt_progress',
  'questions',
  'answers',
]

/** The newest migration that a database has. */
export const schemaOf = async (db: Queries): Promise<string> =>
  (await db.query<{ name: string }>('select name from migrations order by name desc limit 1'))[0]?.name ?? ''

/** Tables that a backup holds: all that the database has, so that a new one is never forgotten. */
export async function tablesOf(db: Queries): Promise<string[]> {
  const rows = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables
     where table_schema = 'public' and table_type = 'BASE TABLE' order by table_name`,
  )
  return rows.map(({ name }) => name).filter((name) => !leftOut.includes(name))
}

/** What hears how far an export is: rows so far, and about how many there are. */
export type OnRows = (rows: number, of: number) => void

/**
 * The whole school of one moment as text, in pieces of some lines each. It is read only as fast as the pieces are taken,
 * and ends cleanly where nobody takes any more.
 */
export async function* exportSchool(
  db: Database,
  at: Date,
  onRows: OnRows = () => undefined,
): AsyncGenerator<string, number> {
  const writer = new BackupWriter()
  const tables = await tablesOf(db)
  const schema = await schemaOf(db)
  const snapshot = await db.snapshot()
  try {
    const of = await snapshot.estimate(tables)
    let rows = 0
    yield writer.head({ schema, at, rows: of })
    for (const table of tables)
      for await (const slice of snapshot.rows(table)) {
        yield writer.rows(table, slice)
        rows += slice.length
        onRows(rows, of)
      }
    yield writer.end()
    return rows
  } finally {
    await snapshot.close()
  }
}
