import { parentPort, workerData } from 'node:worker_threads'
import type { Queries } from './database'
import { openPglite, type Embedded } from './pglite'
import { wrongOf, type Asked, type Says, type ThreadStart } from './thread-words'

/** A transaction that waits for its next statement or its end. */
interface Under {
  readonly queries: Queries
  readonly end: (commit: boolean) => void
  readonly done: Promise<void>
}
const rolledBack = new Error('rolled back')

/** The embedded database in a thread of its own: what it works out holds nobody up who waits for something else. */
async function serve(): Promise<void> {
  const port = parentPort!
  const say = (message: Says) => port.postMessage(message)
  const { folder, image } = workerData as ThreadStart
  const opening = openPglite(folder, image)
  // Whoever asks first is told.
  opening.catch(() => undefined)
  const under = new Map<number, Under>()
  const listeners = new Map<number, () => Promise<void>>()

  port.on('message', (asked: Asked) => {
    opening
      .then((database) => answer(database, asked))
      .then(
        async (value) =>
          say({ type: 'answer', id: asked.id, value, syncs: await opening.then((db) => db.syncs()) }),
        (error: unknown) => say({ type: 'wrong', id: asked.id, wrong: wrongOf(error) }),
      )
  })

  async function answer(database: Embedded, asked: Asked): Promise<unknown> {
    switch (asked.type) {
      case 'query': {
        const queries = asked.within === undefined ? database : under.get(asked.within)?.queries
        if (!queries) throw new Error('This transaction is over.')
        return queries.query(asked.sql, asked.parameters)
      }
      case 'script':
        return database.script(asked.sql)
      case 'begin':
        return begin(database, asked.id)
      case 'end': {
        const one = under.get(asked.within)
        one?.end(asked.commit)
        return one?.done
      }
      case 'listen':
        listeners.set(
          asked.id,
          await database.listen(asked.channel, (payload) =>
            say({ type: 'heard', listener: asked.id, payload }),
          ),
        )
        return
      case 'deafen':
        await listeners.get(asked.listener)?.()
        listeners.delete(asked.listener)
        return
      case 'ready':
        return database.ready()
      case 'close':
        return database.close()
    }
  }

  /** Resolves once the transaction has begun: its statements follow, each in a message. */
  function begin(database: Embedded, id: number): Promise<void> {
    return new Promise((begun, failed) => {
      const done = database
        .transaction(
          (queries) =>
            new Promise<void>((commit, rollback) => {
              const end = (well: boolean) => (well ? commit() : rollback(rolledBack))
              under.set(id, { queries, end, done: over })
              begun()
            }),
        )
        .catch((error: unknown) => {
          if (error !== rolledBack) throw error
        })
        .finally(() => under.delete(id))
      const over = done.then(() => undefined)
      over.catch(failed)
    })
  }
}

await serve()
