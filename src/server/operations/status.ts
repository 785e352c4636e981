import { readFileSync } from 'node:fs'
import { statfs } from 'node:fs/promises'
import type { Status } from '../../contract'
import type { Database, Queries } from '../database'
import { setFact } from './facts'
import { iso } from '../orders/orders'
import { retentionOf } from './retention'

const version = (
  JSON.parse(readFileSync(new URL('../../../package.json', import.meta.url), 'utf8')) as { version: string }
).version

/** Remembers that something was done just now. */
export const noteFact = (db: Queries, name: string): Promise<void> => setFact(db, name, '')

/** What whoever looks after the school's computers asks: version, database, space, last backup. */
export async function statusOf(db: Database, folder: string | undefined): Promise<Status> {
  const [row] = await db.query<{ database: string; bytes: number; people: number; orders: number }>(
    `select split_part(version(), ' on ', 1) as database, pg_database_size(current_database())::float8 as bytes,
       (select count(*)::int from users) as people, (select count(*)::int from current_orders) as orders`,
  )
  const [backup] = await db.query<{ at: string }>(
    `select ${iso('at')} as at from facts where name = 'backup'`,
  )
  const disk = folder === undefined ? undefined : await statfs(folder).catch(() => undefined)
  return {
    version,
    database: row!.database,
    embedded: folder !== undefined,
    bytes: row!.bytes,
    free: disk ? disk.bavail * disk.bsize : null,
    people: row!.people,
    orders: row!.orders,
    backup: backup?.at ?? null,
    retention: await retentionOf(db),
    memory: process.memoryUsage().rss,
    up: Math.round(process.uptime()),
  }
}
