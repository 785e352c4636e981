import type { Database } from './database'
import { migrate } from './migrate'
import { openPglite } from './pglite'
import { openPostgres } from './postgres'

export type { Database, Queries } from './database'

/** Opens and migrates: a PostgreSQL server if `url` is given, else PGlite in `folder` (or in memory). */
export async function openDatabase({ url, folder }: { url?: string; folder?: string }): Promise<Database> {
  const database = url ? openPostgres(url) : await openPglite(folder)
  await migrate(database)
  return database
}
