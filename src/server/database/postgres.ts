import pg from 'pg'
import type { Database, Queries } from './database'

/** A PostgreSQL server, for a school that outgrows one machine. */
export function openPostgres(url: string): Database {
  const pool = new pg.Pool({ connectionString: url, max: 10 })
  const on = (target: Pick<pg.Pool, 'query'>): Queries => ({
    query: async <Row>(sql: string, parameters: readonly unknown[] = []) =>
      (await target.query(sql, [...parameters])).rows as Row[],
  })
  return {
    ...on(pool),
    transaction: async (work) => {
      const client = await pool.connect()
      try {
        await client.query('begin')
        const result = await work(on(client as unknown as Pick<pg.Pool, 'query'>))
        await client.query('commit')
        return result
      } catch (error) {
        await client.query('rollback')
        throw error
      } finally {
        client.release()
      }
    },
    script: async (sql) => {
      await pool.query(sql)
    },
    close: () => pool.end(),
  }
}
