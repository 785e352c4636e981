import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { Agent, request } from 'node:https'
import { createServer, type AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startNginx } from '../../test/nginx.mjs'
import { startPostgres } from '../../test/postgres.mjs'
import { program } from '../../test/program'
import { passwords } from '../../test/school'

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))
async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  server.close()
  await once(server, 'close')
  return port
}

describe('two processes behind nginx, as the manual sets them up', () => {
  const postgres = startPostgres()
  const ports: number[] = []
  const processes: (ChildProcess | undefined)[] = []
  let nginx: Awaited<ReturnType<typeof startNginx>>
  let port: number

  const isUp = async (at: number): Promise<boolean> =>
    fetch(`http://127.0.0.1:${at}/health`).then(
      (answer) => answer.ok,
      () => false,
    )
  /** What systemd does: starts it, or tells it to stop and waits until it has. */
  function start(i: number): void {
    processes[i] = spawn(process.execPath, [...program('main'), '--demo', '--new'], {
      env: { ...process.env, PORT: String(ports[i]), DATABASE_URL: postgres.url, TRUST_PROXY: '1' },
      stdio: ['ignore', 'ignore', 'inherit'],
    })
  }
  async function stop(i: number): Promise<void> {
    const gone = once(processes[i]!, 'exit')
    processes[i]!.kill('SIGTERM')
    await gone
  }
  async function answers(i: number): Promise<void> {
    for (let n = 0; n < 600 && !(await isUp(ports[i]!)); n++) await pause(100)
    expect(await isUp(ports[i]!)).toBe(true)
  }

  beforeAll(async () => {
    ports.push(await freePort(), await freePort())
    port = await freePort()
    // Two first starts at once on an empty database: both find one school.
    start(0)
    start(1)
    await Promise.all([answers(0), answers(1)])
    nginx = await startNginx({ port, servers: ports })
  }, 90_000)
  afterAll(async () => {
    nginx.stop()
    await Promise.all(processes.map((one, i) => (one?.exitCode === null ? stop(i) : undefined)))
    postgres.stop()
  }, 60_000)

  /** Somebody with a browser: keeps a connection open, and a cookie. */
  class Person {
    private cookie = ''
    private readonly agent = new Agent({ keepAlive: true, rejectUnauthorized: false })
    ask(method: string, path: string, body?: object): Promise<{ status: number; body: unknown }> {
      return new Promise((resolve, reject) => {
        const asked = request(
          {
            host: '127.0.0.1',
            port,
            path: `/api${path}`,
            method,
            agent: this.agent,
            headers: {
              host: 'school.example',
              ...(this.cookie && { cookie: this.cookie }),
              ...(body && { 'content-type': 'application/json' }),
            },
          },
          (res) => {
            let text = ''
            res.on('data', (chunk: Buffer) => (text += chunk.toString()))
            res.on('end', () => {
              const [set] = res.headers['set-cookie'] ?? []
              if (set?.startsWith('brachyon_session')) this.cookie = set.split(';')[0]!
              resolve({
                status: res.statusCode!,
                body: text.startsWith('<') || !text ? text : JSON.parse(text),
              })
            })
          },
        )
        asked.on('error', reject)
        asked.end(body && JSON.stringify(body))
      })
    }
    close = () => this.agent.destroy()
  }

  it('made one demo school between them', async () => {
    const orla = new Person()
    expect((await orla.ask('POST', '/session', { login: 'orla', password: passwords.orla })).status).toBe(200)
    const people = (await orla.ask('GET', '/people')).body as { login: string }[]
    expect(people.map(({ login }) => login).toSorted()).toEqual(['idris', 'maeve', 'orla', 'tam'])
    orla.close()
  })

  it('are started anew one after the other, and nobody is refused or loses a step', async () => {
    const orla = new Person()
    await orla.ask('POST', '/session', { login: 'orla', password: passwords.orla })
    const students = (await orla.ask('GET', '/students')).body as { id: string }[]
    const [lesson] = (await orla.ask('GET', '/lessons')).body as { id: string }[]
    await orla.ask('POST', `/lessons/${lesson!.id}/orders`, {
      students: students.map(({ id }) => id),
      set: 0,
    })
    let over = false
    let answered = 0
    const refused: unknown[] = []
    const expect200 = (what: string, { status, body }: { status: number; body: unknown }) => {
      answered++
      if (status !== 200) refused.push([what, status, body])
      return status === 200
    }
    const kept = new Map<string, string[]>()
    const work = async (login: keyof typeof passwords) => {
      const person = new Person()
      await person.ask('POST', '/session', { login, password: passwords[login] })
      const [order] = ((await person.ask('GET', '/desk')).body as { rows: { id: string }[] }).rows
      const path = `/desk/${order!.id}`
      while (!over) {
        const key = randomUUID()
        const action = { type: 'operate', arrangement: { controls: {}, detached: [] } }
        if (expect200('step', await person.ask('POST', `${path}/steps`, { key, action })))
          kept.set(order!.id, [...(kept.get(order!.id) ?? []), key])
        await pause(1200)
      }
      person.close()
    }
    const look = async () => {
      while (!over) {
        expect200('orders', await orla.ask('GET', '/orders'))
        await pause(150)
      }
    }
    const all = Promise.all([work('tam'), work('idris'), look(), look()])
    await pause(1500)
    // As in the manual: the second when the first answers again.
    for (const i of [0, 1]) {
      await stop(i)
      await pause(500)
      start(i)
      await answers(i)
    }
    await pause(1000)
    over = true
    await all
    expect(refused).toEqual([])
    expect(answered).toBeGreaterThan(40)
    for (const [id, keys] of kept) {
      const { body } = await orla.ask('GET', `/orders/${id}/review`)
      expect((body as { steps: unknown[] }).steps).toHaveLength(keys.length)
    }
    orla.close()
  }, 120_000)
})
