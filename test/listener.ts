import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect } from 'vitest'

/** A browser that keeps an event stream open. */
export class Listener {
  readonly events: { name: string; data: string }[] = []
  private readonly stop = new AbortController()
  async open(server: Server, path: string, cookie: string): Promise<this> {
    const { port } = server.address() as AddressInfo
    const response = await fetch(`http://127.0.0.1:${port}${path}`, {
      headers: { cookie },
      signal: this.stop.signal,
    })
    expect(response.headers.get('content-type')).toContain('text/event-stream')
    void this.read(response.body!.getReader()).catch(() => undefined)
    return this
  }
  private async read(reader: ReadableStreamDefaultReader<Uint8Array>) {
    let text = ''
    const decoder = new TextDecoder()
    for (;;) {
      const { done, value } = await reader.read()
      if (done) return
      text += decoder.decode(value, { stream: true })
      const parts = text.split('\n\n')
      text = parts.pop()!
      for (const part of parts) {
        const name = /^event:\s?(.*)$/m.exec(part)?.[1]
        const data = /^data:\s?(.*)$/m.exec(part)?.[1]
        if (name) this.events.push({ name, data: data ?? '' })
      }
    }
  }
  async until<T>(look: () => T | undefined): Promise<T> {
    for (let n = 0; n < 500; n++) {
      const found = look()
      if (found !== undefined) return found
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
    throw new Error(`nothing came: ${JSON.stringify(this.events).slice(0, 400)}`)
  }
  close = () => this.stop.abort()
}
