import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import lockfile from 'proper-lockfile'
import type { Database, Queries } from './database'

/**
 * PostgreSQL in this process, in `folder` or in memory. The folder is locked: two processes writing to it would
 * ruin it. The lock of a process that was killed goes stale after a few seconds, which a new start waits for.
 */
export async function openPglite(folder?: string): Promise<Database> {
  let unlock: (() => Promise<void>) | undefined
  if (folder) {
    mkdirSync(folder, { recursive: true })
    unlock = await lockfile
      .lock(folder, {
        lockfilePath: join(folder, 'in-use.lock'),
        stale: 5000,
        update: 1500,
        retries: { retries: 30, minTimeout: 300, maxTimeout: 300 },
      })
      .catch(() => {
        throw new Error(
          `The data folder ${folder} is in use by another Brachyon. Stop that one, or set BRACHYON_DATA to another folder.`,
        )
      })
  }
  const pg = await PGlite.create(folder ? join(folder, 'pg') : 'memory://')
  const on = (target: Pick<PGlite, 'query'>): Queries => ({
    query: async <Row>(sql: string, parameters: readonly unknown[] = []) =>
      (await target.query<Row>(sql, [...parameters])).rows,
  })
  return {
    ...on(pg),
    transaction: (work) => pg.transaction((tx) => work(on(tx as unknown as Pick<PGlite, 'query'>))),
    script: async (sql) => {
      await pg.exec(sql)
    },
    close: async () => {
      await pg.close()
      await unlock?.()
    },
  }
}
