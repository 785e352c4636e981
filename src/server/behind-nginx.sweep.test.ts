import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { request, type RequestOptions } from 'node:https'
import { createServer as netServer, type AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { startNginx } from '../../test/nginx.mjs'
import { passwords, startSchool, type School } from '../../test/school'

/** A port that is free just now. */
async function freePort(): Promise<number> {
  const server = netServer().listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  server.close()
  await once(server, 'close')
  return port
}

describe('behind nginx, set up as docs/running.md says', () => {
  let school: School
  let server: Server
  let nginx: Awaited<ReturnType<typeof startNginx>>
  let port: number
  const host = 'school.example'

  beforeAll(async () => {
    school = await startSchool({ trustProxy: 1 })
    server = createServer(school.app).listen(0, '127.0.0.1')
    await once(server, 'listening')
    port = await freePort()
    nginx = await startNginx({ port, servers: [(server.address() as AddressInfo).port] })
    await vi.waitFor(async () => expect((await send('GET', '/health')).status).toBe(200), {
      timeout: 20_000,
      interval: 100,
    })
  }, 60_000)
  afterAll(async () => {
    nginx.stop()
    server.closeAllConnections()
    server.close()
    await school.close()
  })

  const options = (method: string, path: string, headers: Record<string, string>): RequestOptions => ({
    host: '127.0.0.1',
    port,
    path,
    method,
    headers: { host, ...headers },
    rejectUnauthorized: false,
  })
  const send = (method: string, path: string, body?: object, headers: Record<string, string> = {}) =>
    new Promise<{ status: number; cookie: string; hsts: string; text: string }>((resolve, reject) => {
      const asked = request(
        options(method, path, { ...(body && { 'content-type': 'application/json' }), ...headers }),
        (res) => {
          let text = ''
          res.on('data', (chunk: Buffer) => (text += chunk.toString()))
          res.on('end', () =>
            resolve({
              status: res.statusCode!,
              cookie: String(res.headers['set-cookie']),
              hsts: String(res.headers['strict-transport-security']),
              text,
            }),
          )
        },
      )
      asked.on('error', reject)
      asked.end(body && JSON.stringify(body))
    })
  const enter = (headers: Record<string, string> = {}) =>
    send('POST', '/api/session', { login: 'orla', password: passwords.orla }, headers)

  it('signs in from its own pages only, with a cookie for TLS alone, from the visitor’s address', async () => {
    const ours = await enter({ origin: `https://${host}` })
    expect(ours.status).toBe(200)
    expect(ours.cookie).toMatch(/; Secure/)
    expect(ours.hsts).toMatch(/max-age=\d{7}/)
    expect((await enter({ origin: 'https://elsewhere.example' })).status).toBe(403)
    expect((await enter({ origin: `http://${host}` })).status).toBe(403)
    // What a visitor claims of their own address is not believed.
    await enter({ 'x-forwarded-for': '192.0.2.7' })
    const rows = await school.database.query<{ address: string }>('select address from sign_ins')
    expect(rows.every(({ address }) => address.includes('127.0.0.1'))).toBe(true)
  })

  it('hands on what is sent bit by bit at once', async () => {
    const { cookie } = await enter()
    const first = await new Promise<string>((resolve, reject) => {
      const asked = request(options('GET', '/api/floor/live', { cookie: cookie.split(';')[0]! }), (res) =>
        res.on('data', (chunk: Buffer) => chunk.includes('again') && resolve(chunk.toString())),
      )
      asked.on('error', reject)
      asked.end()
      setTimeout(() => reject(new Error('nothing came in three seconds')), 3000).unref()
    })
    expect(first).toMatch(/event: ?again/)
  })

  it('takes a circuit as large as the school takes one', async () => {
    const { cookie } = await enter()
    const large = { note: 'x'.repeat(1_900_000) }
    const answer = await send('POST', '/api/circuits', large, { cookie: cookie.split(';')[0]! })
    expect(answer.status).toBe(422)
  })
})

it('the unit for systemd names settings that the program has', () => {
  const unit = readFileSync('docs/brachyon.service', 'utf8')
  const table = readFileSync('docs/running.md', 'utf8')
  const set = [.../Environment=(.*)/.exec(unit)![1]!.matchAll(/([A-Z_]+)=/g)].map((m) => m[1]!)
  expect(set.length).toBeGreaterThan(3)
  for (const name of set) expect(table).toContain(`\`${name}\``)
})
