import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import lockfile from 'proper-lockfile'
import { failureOf, type Database, type Limits } from './database'
import { DurableFiles, syncNow } from './durable-files'
import { dropLeftovers, embeddedSnapshot } from './embedded-snapshot'
import { KeptStatements } from './kept-statements'
import { limited, type OnSlow } from './limited'
import { nameOf } from './often'
import { snapshotsAndTidying } from './tidy'

/** What PostgreSQL is told so that its promises are kept; single-user mode would leave them off. */
const settings = ['fsync = on', 'wal_sync_method = fsync', 'synchronous_commit = on', 'full_page_writes = on']

/** Where the text crosses from another thread, the name under which it is kept comes with it. */
export interface EmbeddedQueries {
  query<Row>(sql: string, parameters?: readonly unknown[], name?: string): Promise<Row[]>
}

/** The embedded database, and what only it needs. */
export interface Embedded extends Omit<Database, 'query' | 'transaction'>, EmbeddedQueries {
  transaction<T>(work: (queries: EmbeddedQueries) => Promise<T>, limits?: Limits): Promise<T>
  /** Says that the first start is complete: everything written so far is on the disk, and later starts go on from it. */
  ready(): Promise<void>
  /** Syncs of the log so far; none where the database is in memory. */
  readonly syncs: () => number
}

const built = new URL('./empty.tar.gz', import.meta.url)
/** The empty database that the build has made; none where the sources run. */
const builtImage = (): Blob | undefined => (existsSync(built) ? new Blob([readFileSync(built)]) : undefined)

/**
 * PostgreSQL in this process, in `folder` or in memory; a new one starts from `image`, or from the one that the build has
 * made: PostgreSQL takes seconds to make one from nothing. The folder is locked: two processes writing to it would ruin it.
 * The lock of a process that was killed goes stale after a few seconds, which a new start waits for.
 */
export async function openPglite(
  folder?: string,
  image?: Blob,
  onSlow: OnSlow = () => undefined,
): Promise<Embedded> {
  const unlock = folder === undefined ? undefined : await lockFolder(folder)
  const data = folder === undefined ? undefined : join(folder, 'pg')
  const starting = folder === undefined ? '' : join(folder, 'first-start')
  try {
    if (data !== undefined) beginFirst(data, starting)
    const files = data === undefined ? undefined : new DurableFiles(data, existsSync(starting))
    const first = !files || existsSync(starting)
    const copied = first ? (image ?? builtImage()) : undefined
    const from = copied ? { loadDataDir: copied } : {}
    const pg = files
      ? await PGlite.create({ ...from, fs: files, postgresqlconf: settings, startParams: startParams() })
      : await PGlite.create({ ...from, dataDir: 'memory://' })
    const settle = async <T>(work: Promise<T>): Promise<T> => {
      try {
        const result = await work
        await files?.settle().catch(rethrow)
        return result
      } catch (error) {
        throw error instanceof Error && isOurs(error) ? error : failureOf(error)
      }
    }
    const kept = new KeptStatements(pg)
    /** @param isOpen whether its transaction is still under way; without one each statement stands alone */
    const on = (target: Pick<PGlite, 'query'>, isOpen?: () => boolean): EmbeddedQueries => ({
      query: async <Row>(sql: string, parameters: readonly unknown[] = [], name = nameOf(sql)) => {
        if (name === undefined) return (await target.query<Row>(sql, [...parameters]).catch(rethrow)).rows
        const rows = isOpen
          ? kept.within<Row>(name, sql, parameters, isOpen)
          : kept.alone<Row>(name, sql, parameters)
        return rows.catch(rethrow)
      },
    })
    const within = <T>(
      tx: Pick<PGlite, 'query'>,
      work: (queries: EmbeddedQueries) => Promise<T>,
      limits: Limits,
    ) => {
      let open = true
      // Before it is committed or rolled back: what its work asks for later belongs to nothing.
      return limited(() => work(on(tx, () => open)), limits, onSlow).finally(() => (open = false))
    }
    const database: Embedded = {
      query: <Row>(sql: string, parameters?: readonly unknown[], name?: string) =>
        settle(on(pg).query<Row>(sql, parameters, name)),
      transaction: (work, limits = {}) => settle(pg.transaction((tx) => within(tx, work, limits))),
      ...snapshotsAndTidying(on(pg), () => embeddedSnapshot(database)),
      script: (sql) => settle(pg.exec(sql).then(() => undefined)),
      listen: (channel, heard) => pg.listen(channel, heard),
      ready: async () => {
        if (folder === undefined || !files || !existsSync(starting)) return
        await pg.exec('checkpoint')
        await files.complete()
        rmSync(starting)
        syncNow(folder)
      },
      syncs: () => files?.syncs ?? 0,
      close: async () => {
        await pg.close()
        await unlock?.()
      },
    }
    await dropLeftovers(database)
    return database
  } catch (error) {
    await unlock?.()
    throw error
  }
}

/** Without its “do not sync”. */
const startParams = (): string[] => PGlite.defaultStartParams.filter((parameter) => parameter !== '-F')

const rethrow = (error: unknown): never => {
  throw failureOf(error)
}
/** What the work itself threw goes on as it is; a driver's error does not. */
const isOurs = (error: Error): boolean => !('severity' in error) && !('query' in error)

/**
 * A first start that was cut off has left a folder that no later one can use, and nothing that anybody was promised: it
 * begins anew. Everything else stays.
 */
function beginFirst(data: string, starting: string): void {
  if (existsSync(starting)) rmSync(data, { recursive: true, force: true })
  if (existsSync(join(data, 'PG_VERSION'))) return
  writeFileSync(starting, 'The first start is not complete: what stands in pg is of no use yet.\n')
  syncNow(starting)
  syncNow(join(starting, '..'))
}

async function lockFolder(folder: string): Promise<() => Promise<void>> {
  try {
    mkdirSync(folder, { recursive: true })
    writeFileSync(join(folder, 'writable'), '')
    rmSync(join(folder, 'writable'))
  } catch (error) {
    const full = error instanceof Error && 'code' in error && error.code === 'ENOSPC'
    throw new Error(
      full
        ? `The disk of the data folder ${folder} is full: make room on it, then start again.`
        : `The data folder ${folder} cannot be written: give this user the right to, or set BRACHYON_DATA to another folder.`,
      { cause: error },
    )
  }
  return lockfile
    .lock(folder, {
      lockfilePath: join(folder, 'in-use.lock'),
      stale: 5000,
      update: 1500,
      retries: { retries: 30, minTimeout: 300, maxTimeout: 300 },
    })
    .catch((error: unknown) => {
      throw new Error(
        `The data folder ${folder} is in use by another Brachyon. Stop that one, or set BRACHYON_DATA to another folder.`,
        { cause: error },
      )
    })
}
