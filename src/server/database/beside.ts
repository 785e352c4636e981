import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { DatabaseFailure, type Queries } from './database'
import { limited, type OnSlow } from './limited'
import type { Embedded } from './pglite'
import { embeddedSnapshot } from './embedded-snapshot'
import { snapshotsAndTidying } from './tidy'
import { nameOf } from './often'
import { errorOf, type Ask, type Asked, type Says, type ThreadStart } from './thread-words'

/** Built, the thread starts with its code as it is; run from the sources, it has to be taught TypeScript first. */
const entry = import.meta.url.endsWith('.ts') ? './thread-entry.mjs' : './thread.js'

interface Waiting {
  readonly resolve: (value: unknown) => void
  readonly reject: (error: Error) => void
}

/**
 * The embedded database in a thread of its own. PostgreSQL in WebAssembly runs a statement without a pause, and syncs its
 * data files while it does: in the server's own thread, all who wait for anything would wait for that.
 */
export async function openBeside(
  folder: string,
  image?: Blob,
  onSlow: OnSlow = () => undefined,
): Promise<Embedded> {
  const workerData: ThreadStart = { folder, ...(image && { image }) }
  const thread = new Worker(fileURLToPath(new URL(entry, import.meta.url)), { workerData })
  const waiting = new Map<number, Waiting>()
  const listeners = new Map<number, (payload: string) => void>()
  let last = 0
  let syncs = 0
  let gone = false

  const ask = <T>(what: Ask, id = ++last): Promise<T> =>
    new Promise<unknown>((resolve, reject) => {
      if (gone) return reject(new DatabaseFailure('unreachable', '', ''))
      waiting.set(id, { resolve, reject })
      thread.postMessage({ ...what, id } satisfies Asked)
    }) as Promise<T>

  thread.on('message', (message: Says) => {
    if (message.type === 'heard') return listeners.get(message.listener)?.(message.payload)
    const one = waiting.get(message.id)
    waiting.delete(message.id)
    if (message.type === 'wrong') return one?.reject(errorOf(message.wrong))
    syncs = message.syncs
    one?.resolve(message.value)
  })
  const lost = () => {
    gone = true
    for (const { reject } of waiting.values()) reject(new DatabaseFailure('unreachable', '', ''))
    waiting.clear()
  }
  thread.on('exit', lost)
  // What breaks in there breaks the server, as it would in its own thread: whoever looks after it starts it again.
  thread.on('error', (error) => {
    lost()
    throw error
  })

  const on = (within?: number): Queries => ({
    query: <Row>(sql: string, parameters: readonly unknown[] = [], name = nameOf(sql)) =>
      ask<Row[]>({
        type: 'query',
        sql,
        parameters,
        ...(name !== undefined && { name }),
        ...(within !== undefined && { within }),
      }),
  })
  const database: Embedded = {
    ...on(),
    transaction: async (work, limits = {}) => {
      const within = ++last
      await ask({ type: 'begin' }, within)
      const end = (commit: boolean) => ask({ type: 'end', within, commit })
      const result = await limited(() => work(on(within)), limits, onSlow).catch(async (error: unknown) => {
        // The work's own error is the one to tell: a database that is gone has rolled back by itself.
        await end(false).catch(() => undefined)
        throw error
      })
      await end(true)
      return result
    },
    ...snapshotsAndTidying(on(), () => embeddedSnapshot(database)),
    script: (sql) => ask({ type: 'script', sql }),
    listen: async (channel, heard) => {
      const listener = ++last
      listeners.set(listener, heard)
      await ask({ type: 'listen', channel }, listener)
      return async () => {
        listeners.delete(listener)
        await ask({ type: 'deafen', listener })
      }
    },
    ready: () => ask({ type: 'ready' }),
    syncs: () => syncs,
    close: async () => {
      await ask({ type: 'close' })
      await thread.terminate()
    },
  }
  try {
    // The first thing that is asked says whether it opens.
    await database.query('select 1')
    return database
  } catch (error) {
    await thread.terminate()
    throw error
  }
}
