import pg from 'pg'
import { connectionTo } from './connection'
import { DatabaseFailure, failureOf, usualLimit, type Database, type Queries } from './database'
import { limited, type OnSlow } from './limited'
import { listenForGood } from './listener'
import { nameOf } from './often'
import { serverSnapshot } from './server-snapshot'

export interface Hears {
  readonly onLost?: ((error: Error) => void) | undefined
  readonly onSlow?: OnSlow | undefined
}

/**
 * A PostgreSQL server, for a school that outgrows one machine. One that is restarted, or cut off for a while, is waited
 * for: what was asked in between fails as unreachable, and the next request finds it again.
 */
export function openPostgres(
  url: string,
  { onLost = () => undefined, onSlow = () => undefined }: Hears = {},
): Database {
  const pool = new pg.Pool({ ...connectionTo(url), max: 10 })
  // An idle connection that breaks is nobody's request: without a listener it would end the process.
  pool.on('error', onLost)
  const on = (target: { query: pg.Pool['query'] }): Queries => ({
    query: async <Row>(sql: string, parameters: readonly unknown[] = []) => {
      const name = nameOf(sql)
      const values = [...parameters]
      const found = await (
        name ? target.query({ name, text: sql, values }) : target.query(sql, values)
      ).catch(rethrow)
      return found.rows as Row[]
    },
  })
  const transaction: Database['transaction'] = async (work, limits = {}) => {
    const client = await pool.connect().catch(rethrow)
    client.on('error', onLost)
    let broken = false
    try {
      await client.query('begin').catch(rethrow)
      const long = limits.longest !== undefined && limits.longest > usualLimit
      if (long) await allowLong(client, limits.longest ?? usualLimit).catch(rethrow)
      const target = long ? patient(client, limits.longest ?? usualLimit) : client
      const result = await limited(() => work(on(target as unknown as pg.Pool)), limits, onSlow)
      await client.query('commit').catch(rethrow)
      return result
    } catch (error) {
      // A connection that does not answer is not asked once more: it would take as long again.
      broken = error instanceof DatabaseFailure && ['unreachable', 'slow'].includes(error.trouble)
      if (!broken) await client.query('rollback').catch(() => (broken = true))
      throw error
    } finally {
      client.off('error', onLost)
      client.release(broken)
    }
  }
  return {
    ...on(pool),
    transaction,
    snapshot: () => serverSnapshot(url),
    tidy: () => Promise.resolve(),
    script: (sql) => pool.query(sql).then(() => undefined, rethrow),
    listen: (channel, heard) => listenForGood(url, channel, heard, onLost).catch(rethrow),
    close: () => pool.end(),
  }
}

/** A transaction that was given minutes may have statements that take as long. */
const allowLong = (client: pg.PoolClient, seconds: number) =>
  client.query(
    `set local statement_timeout = ${1000 * seconds}; set local idle_in_transaction_session_timeout = ${1000 * seconds}`,
  )

/** The same connection, whose statements are waited for as long as the transaction may last. */
const patient = (client: pg.PoolClient, seconds: number) => ({
  query: (asked: string | pg.QueryConfig, values?: unknown[]) =>
    client.query({
      ...(typeof asked === 'string' ? { text: asked, values } : asked),
      query_timeout: 1000 * seconds,
    } as pg.QueryConfig),
})

const rethrow = (error: unknown): never => {
  throw failureOf(error)
}
