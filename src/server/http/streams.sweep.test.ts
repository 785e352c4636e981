import { once } from 'node:events'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'

/** A stream that is open until it ends. */
class Open {
  ended = false
  private readonly stop = new AbortController()
  status = 0
  async at(url: string, cookie: string): Promise<this> {
    const answer = await fetch(url, { headers: { cookie }, signal: this.stop.signal })
    this.status = answer.status
    const reader = answer.body!.getReader()
    void (async () => {
      for (;;) if ((await reader.read()).done) break
    })()
      .catch(() => undefined)
      .finally(() => (this.ended = true))
    return this
  }
  async end(): Promise<void> {
    for (let n = 0; n < 100 && !this.ended; n++) await new Promise((done) => setTimeout(done, 50))
    expect(this.ended).toBe(true)
  }
  close = () => this.stop.abort()
}

describe('what stays open', () => {
  let school: School
  let orla: TestAgent
  let server: Server
  let url: string
  const open: Open[] = []

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    server = createServer(school.app).listen(0, '127.0.0.1')
    await once(server, 'listening')
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  }, 60_000)
  afterAll(async () => {
    for (const one of open) one.close()
    server.closeAllConnections()
    server.close()
    await school.close()
  })

  const enter = async (login: string, password: string) => {
    const { headers } = await school.visitor().post('/api/session').send({ login, password }).expect(200)
    return /brachyon_session=[^;]*/.exec(String(headers['set-cookie']))![0]
  }
  const stream = async (path: string, cookie: string) => {
    const one = await new Open().at(url + path, cookie)
    open.push(one)
    return one
  }

  it('ends when its session does: signed out, or signed out everywhere', async () => {
    const [first, second] = [await enter('orla', passwords.orla), await enter('orla', passwords.orla)]
    const mine = await stream('/floor/live', first)
    const other = await stream('/floor/live', second)
    await school.visitor().delete('/api/session').set('cookie', first).expect(204)
    await mine.end()
    expect(other.ended).toBe(false)
    await orla.delete('/api/sessions').expect(204)
    await other.end()
    expect((await stream('/floor/live', second)).status).toBe(401)
  })

  it('ends with the account, and with a new password', async () => {
    const fresh = 'seven wet gravel hinges'
    await orla
      .post('/api/instructors')
      .send({ login: 'leaving', name: 'Lee Ving', password: fresh })
      .expect(201)
    const id = async () =>
      ((await orla.get('/api/people')).body as { id: string; login: string }[]).find(
        (p) => p.login === 'leaving',
      )!.id
    const cookie = await enter('leaving', fresh)
    await school
      .visitor()
      .put('/api/password')
      .set('cookie', cookie)
      .send({ current: fresh, password: 'five tin ledges by noon' })
      .expect(204)
    const floor = await stream('/floor/live', cookie)
    const { password } = (await orla.post(`/api/people/${await id()}/password`).expect(200)).body as {
      password: string
    }
    await floor.end()
    const again = await enter('leaving', password)
    await school
      .visitor()
      .put('/api/password')
      .set('cookie', again)
      .send({ current: password, password: 'nine pale copper kettles' })
      .expect(204)
    const room = await stream('/room/live', again)
    await orla.delete(`/api/people/${await id()}`).expect(204)
    await room.end()
  })

  it('is a few for each person, and nobody else’s business', async () => {
    const tam = await enter('tam', passwords.tam)
    const all = await Promise.all(Array.from({ length: 40 }, () => stream('/room/live', tam)))
    const allowed = all.filter(({ status }) => status === 200)
    expect(allowed.length).toBeLessThanOrEqual(12)
    expect(allowed.length).toBeGreaterThan(5)
    expect(all.filter(({ status }) => status === 429)).toHaveLength(40 - allowed.length)
    const idris = await enter('idris', passwords.idris)
    expect((await stream('/room/live', idris)).status).toBe(200)
    // What was closed makes room.
    for (const one of allowed) one.close()
    await new Promise((done) => setTimeout(done, 300))
    expect((await stream('/room/live', tam)).status).toBe(200)
  })
})
