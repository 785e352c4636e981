import { openBeside } from './beside'
import type { Database } from './database'
import { migrate } from './migrate'
import { openPglite } from './pglite'
import { openPostgres } from './postgres'

export { takeStartLock } from './migrate'
export { often } from './often'
export { DatabaseFailure, type Database, type Queries, type Snapshot, type Trouble } from './database'

export interface Where {
  readonly url?: string
  readonly folder?: string
  /** What a new embedded database is a copy of; the build's own empty one unless said. */
  readonly image?: Blob
  /** Hears of connections that broke while nobody used them. */
  readonly onLost?: (error: Error) => void
  /** Hears of a transaction that stays open for seconds: where in the code it was begun. */
  readonly onSlow?: (where: string) => void
}

/**
 * Opens and migrates: a PostgreSQL server if `url` is given, else PGlite in `folder` (or in memory). `prepare` fills a
 * database of its own at the first start; what it does is on the disk before this resolves.
 */
export async function openDatabase(
  { url, folder, image, onLost, onSlow }: Where,
  prepare: (database: Database) => Promise<void> = () => Promise.resolve(),
): Promise<Database> {
  const embedded = url
    ? undefined
    : await (folder === undefined ? openPglite(undefined, image, onSlow) : openBeside(folder, image, onSlow))
  const database: Database = embedded ?? openPostgres(url ?? '', { onLost, onSlow })
  try {
    await migrate(database)
    await prepare(database)
    await embedded?.ready()
    return database
  } catch (error) {
    await database.close().catch(() => undefined)
    throw error
  }
}
