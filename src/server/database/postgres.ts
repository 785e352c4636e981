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
    listen: (channel, heard) => listening(url, channel, heard, onLost),
    close: () => pool.end(),
  }
}

/** Milliseconds after which a lost connection is tried again. */
const again = 1000

/** A connection of its own that listens; one that breaks is made anew, and says so with an empty payload. */
async function listening(
  url: string,
  channel: string,
  heard: (payload: string) => void,
  onLost: (error: Error) => void,
): Promise<() => Promise<void>> {
  let client: pg.Client | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let over = false
  const join = async (): Promise<void> => {
    const next = new pg.Client({ connectionString: url, connectionTimeoutMillis: patience })
    const lost = (error?: Error) => {
      if (client === next) client = undefined
      if (error) onLost(error)
      if (!over && !timer)
        timer = setTimeout(() => {
          timer = undefined
          void join().then(() => heard(''), lost)
        }, again)
    }
    next.on('error', lost)
    next.on('end', () => lost())
    next.on('notification', ({ payload }) => heard(payload ?? ''))
    await next.connect()
    await next.query(`listen ${pg.escapeIdentifier(channel)}`)
    client = next
  }
  await join().catch(rethrow)
  return async () => {
    over = true
    clearTimeout(timer)
    await client?.end().catch(() => undefined)
  }
}

const rethrow = (error: unknown): never => {
  throw failureOf(error)
}
