import { connect, type Socket } from 'node:net'

/** Why a meter was not read. */
export type Trouble = 'refused' | 'unreachable' | 'slow' | 'closed' | 'garbage' | 'tooLong' | 'noMeter'

export class MeterTrouble extends Error {
  constructor(
    readonly trouble: Trouble,
    readonly said = '',
  ) {
    super(trouble)
  }
}

/** Longer than any answer of a meter: whoever sends more is none. */
const mostBytes = 4096

/**
 * One connection to a meter: lines out, lines in, each with a limit in time. Whatever goes wrong on the way (refused,
 * silent, slow, closed by half, a flood) ends as a `MeterTrouble`; nothing hangs.
 */
export class Line {
  private buffer = ''
  private ended: MeterTrouble | undefined
  private waiting: { resolve: (line: string) => void; reject: (error: Error) => void } | undefined

  private constructor(
    private readonly socket: Socket,
    private readonly patience: number,
  ) {
    socket.setEncoding('latin1')
    socket.on('data', (text: string) => this.take(text))
    // Closed by half: it hears no more than we do.
    socket.on('end', () => this.end(new MeterTrouble('closed')))
    socket.on('close', () => this.end(new MeterTrouble('closed')))
    socket.on('error', () => this.end(new MeterTrouble('closed')))
  }

  /** @param patience milliseconds to connect, and for each answer */
  static open(host: string, port: number, patience: number): Promise<Line> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port })
      const fail = (trouble: Trouble) => {
        socket.destroy()
        reject(new MeterTrouble(trouble))
      }
      socket.setTimeout(patience, () => fail('slow'))
      socket.once('error', (error: NodeJS.ErrnoException) =>
        fail(error.code === 'ECONNREFUSED' ? 'refused' : 'unreachable'),
      )
      socket.once('connect', () => {
        socket.setTimeout(0)
        socket.removeAllListeners()
        resolve(new Line(socket, patience))
      })
    })
  }

  send(text: string): void {
    if (!this.ended) this.socket.write(`${text}\n`)
  }

  /** The next line that it sends. */
  ask(text: string): Promise<string> {
    this.send(text)
    return new Promise((resolve, reject) => {
      const late = setTimeout(() => this.end(new MeterTrouble('slow')), this.patience)
      this.waiting = {
        resolve: (line) => (clearTimeout(late), resolve(line)),
        reject: (error) => (clearTimeout(late), reject(error)),
      }
      this.serve()
    })
  }

  close(): void {
    this.socket.destroy()
  }

  private take(text: string): void {
    this.buffer += text
    if (this.buffer.length > mostBytes) return this.end(new MeterTrouble('tooLong'))
    this.serve()
  }

  private serve(): void {
    const { waiting } = this
    if (!waiting) return
    const at = this.buffer.indexOf('\n')
    if (at >= 0) {
      const line = this.buffer.slice(0, at).trim()
      this.buffer = this.buffer.slice(at + 1)
      this.waiting = undefined
      waiting.resolve(line)
    } else if (this.ended) {
      this.waiting = undefined
      waiting.reject(this.ended)
    }
  }

  private end(why: MeterTrouble): void {
    this.ended ??= why
    this.socket.destroy()
    this.serve()
  }
}
