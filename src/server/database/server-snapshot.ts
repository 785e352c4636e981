import pg from 'pg'
import Cursor from 'pg-cursor'
import { failureOf, type Snapshot } from './database'
import { connectionTo } from './connection'

/** Rows that are fetched at a time. */
const slice = 1000

/**
 * A snapshot of a PostgreSQL server: a connection of its own in one repeatable-read transaction, and a cursor for each
 * table. The server keeps old rows for it, so that nobody waits; the connection has no limit in time.
 */
export async function serverSnapshot(url: string): Promise<Snapshot> {
  const client = new pg.Client({
    ...connectionTo(url),
    statement_timeout: 0,
    query_timeout: 0,
    idle_in_transaction_session_timeout: 0,
  })
  // A connection that breaks fails the query that is under way: nobody else has to hear of it.
  client.on('error', () => undefined)
  const close = (): Promise<void> => client.end().catch(() => undefined)
  try {
    await client.connect()
    await client.query('begin transaction isolation level repeatable read, read only')
    // The snapshot is taken at the first statement.
    await client.query('select 1')
  } catch (error) {
    await close()
    throw failureOf(error)
  }
  return {
    estimate: async (tables) => {
      let sum = 0
      for (const table of tables) {
        const { rows } = await client
          .query<{ rows: number }>(`select count(*)::float8 as rows from ${pg.escapeIdentifier(table)}`)
          .catch(rethrow)
        sum += rows[0]!.rows
      }
      return sum
    },
    rows: (table) => rowsOf(client, table),
    close,
  }
}

async function* rowsOf(client: pg.Client, table: string): AsyncIterable<readonly string[]> {
  const cursor = client.query(
    new Cursor<{ row: string }>(`select row_to_json(t)::text as row from ${pg.escapeIdentifier(table)} t`),
  )
  try {
    for (;;) {
      const rows = await cursor.read(slice).catch(rethrow)
      if (!rows.length) return
      yield rows.map(({ row }) => row)
    }
  } finally {
    await cursor.close().catch(() => undefined)
  }
}

const rethrow = (error: unknown): never => {
  throw failureOf(error)
}
