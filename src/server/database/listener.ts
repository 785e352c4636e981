import pg from 'pg'
import { connectionTo } from './connection'

/** Milliseconds between two looks whether the connection still answers, and what an answer may take. */
const lookEvery = 4000
const answerWithin = 2500
/** Milliseconds after which a lost connection is tried again: longer each time, up to the last. */
const pauses = [500, 1000, 2000, 4000]

/**
 * A connection of its own that listens for as long as the server runs. One that breaks is made anew; one that falls silent
 * without breaking, because the network between swallows everything, is noticed by asking it now and then. After each new
 * connection `heard` is called with an empty text: what was said meanwhile was missed.
 */
export async function listenForGood(
  url: string,
  channel: string,
  heard: (payload: string) => void,
  onLost: (error: Error) => void,
): Promise<() => Promise<void>> {
  let current: pg.Client | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let failures = 0
  let over = false

  const connect = async (): Promise<void> => {
    const client = new pg.Client({ ...connectionTo(url), query_timeout: answerWithin })
    // Without a listener an error of a connection ends the process.
    client.on('error', (error) => lost(client, error))
    client.on('end', () => lost(client))
    client.on('notification', ({ payload }) => heard(payload ?? ''))
    try {
      await client.connect()
      await client.query(`listen ${pg.escapeIdentifier(channel)}`)
    } catch (error) {
      drop(client)
      throw error
    }
    current = client
    failures = 0
  }
  const lost = (client: pg.Client, error?: Error): void => {
    if (current !== client) return
    current = undefined
    if (error) onLost(error)
    drop(client)
    reconnect()
  }
  const reconnect = (): void => {
    if (over || timer) return
    timer = setTimeout(
      () => {
        timer = undefined
        connect().then(
          () => (over ? void current?.end() : heard('')),
          () => reconnect(),
        )
      },
      pauses[Math.min(failures++, pauses.length - 1)],
    )
  }
  const looking = setInterval(() => {
    const client = current
    if (client) client.query('select 1').catch((error: Error) => lost(client, error))
  }, lookEvery)
  looking.unref()

  await connect()
  return async () => {
    over = true
    clearInterval(looking)
    clearTimeout(timer)
    await current?.end().catch(() => undefined)
  }
}

/** Gives a connection up at once: saying goodbye to a peer that does not answer would take minutes. */
function drop(client: pg.Client): void {
  client.removeAllListeners('end')
  client.connection.stream.destroy()
}
