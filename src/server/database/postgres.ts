import pg from 'pg'
import { failureOf, type Database, type Queries } from './database'

/** Milliseconds to wait for a connection before saying that there is none. */
const patience = 3000

/**
 * A PostgreSQL server, for a school that outgrows one machine. One that is restarted meanwhile is waited for: what was
 * asked in between fails as unreachable, and the next request finds it again.
 */
export function openPostgres(url: string, onLost: (error: Error) => void = () => undefined): Database {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: patience })
  // An idle connection that breaks is nobody's request: without a listener it would end the process.
  pool.on('error', onLost)
  const on = (target: { query: pg.Pool['query'] }): Queries => ({
    query: async <Row>(sql: string, parameters: readonly unknown[] = []) => {
      const found = await target.query(sql, [...parameters]).catch(rethrow)
      return found.rows as Row[]
    },
  })
  const transaction: Database['transaction'] = async (work) => {
    const client = await pool.connect().catch(rethrow)
    client.on('error', onLost)
    let broken = false
    try {
      await client.query('begin').catch(rethrow)
      const result = await work(on(client as unknown as pg.Pool))
      await client.query('commit').catch(rethrow)
      return result
    } catch (error) {
      await client.query('rollback').catch(() => (broken = true))
      throw error
    } finally {
      client.off('error', onLost)
      client.release(broken)
    }
  }
  return {
    ...on(pool),
    transaction,
    script: (sql) => pool.query(sql).then(() => undefined, rethrow),
    close: () => pool.end(),
  }
}

const rethrow = (error: unknown): never => {
  throw failureOf(error)
}
