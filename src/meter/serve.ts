import { createServer, type Server } from 'node:net'
import { StandIn, type SimulatedBoard } from './stand-in'

const longestLine = 20_000

/** The stand-in on a TCP port of this machine; each connection is a meter that has just been switched on. */
export function serveStandIn(board: SimulatedBoard, port: number, host = '127.0.0.1'): Promise<Server> {
  const server = createServer((socket) => {
    const meter = new StandIn(board)
    let buffer = ''
    socket.setEncoding('latin1')
    socket.on('error', () => socket.destroy())
    socket.on('data', (text: string) => {
      buffer += text
      if (buffer.length > longestLine) return socket.destroy()
      const lines = buffer.split('\n')
      buffer = lines.pop()!
      for (const line of lines) {
        const answer = meter.answer(line)
        if (answer !== undefined) socket.write(`${answer}\n`)
      }
      return undefined
    })
  })
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, host, () => resolve(server))
  })
}
