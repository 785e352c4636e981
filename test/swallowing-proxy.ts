import { once } from 'node:events'
import { connect, createServer, type AddressInfo, type Socket } from 'node:net'

/**
 * A network between us and a PostgreSQL server that can swallow everything: connections stay open, and nothing that is sent
 * arrives, in either direction, as behind a switch that has hung itself up.
 * @param url of a server on a private socket, as `startPostgres` gives it
 */
export async function swallowingProxy(url: string) {
  const folder = decodeURIComponent(/host=([^&]+)/.exec(url)![1]!)
  let swallows = false
  const sockets = new Set<Socket>()
  const server = createServer((outer) => {
    const inner = connect(`${folder}/.s.PGSQL.5432`)
    for (const [from, to] of [
      [outer, inner],
      [inner, outer],
    ] as const) {
      sockets.add(from)
      from.on('data', (data: Buffer) => {
        if (!swallows) to.write(data)
      })
      from.on('close', () => {
        sockets.delete(from)
        if (!swallows) to.destroy()
      })
      from.on('error', () => undefined)
    }
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  return {
    url: url.replace(/\?host=.*$/, '').replace('@/', `@127.0.0.1:${port}/`),
    swallow: () => (swallows = true),
    /** What was sent meanwhile is lost; connections of before are as good as dead. */
    deliver: () => (swallows = false),
    close: () => {
      for (const socket of sockets) socket.destroy()
      server.close()
    },
  }
}
