import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { createServer } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { Listener } from '../../../test/listener'
import { startPostgres } from '../../../test/postgres.mjs'
import { passwords, startSchool, type School } from '../../../test/school'
import { swallowingProxy } from '../../../test/swallowing-proxy'

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

describe('a network that swallows everything for ten seconds between school and database', () => {
  const postgres = startPostgres()
  let network: Awaited<ReturnType<typeof swallowingProxy>>
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let order: string
  let cookie: string

  beforeAll(async () => {
    network = await swallowingProxy(postgres.url)
    school = await startSchool({ url: network.url })
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const [lesson] = (await orla.get('/api/lessons')).body as { id: string }[]
    await orla
      .post(`/api/lessons/${lesson!.id}/orders`)
      .send({ students: [students.find((s) => s.login === 'tam')!.id], set: 0 })
      .expect(201)
    order = ((await orla.get('/api/orders')).body as { rows: { id: string }[] }).rows[0]!.id
    const { headers } = await school
      .visitor()
      .post('/api/session')
      .send({ login: 'orla', password: passwords.orla })
    cookie = /brachyon_session=[^;]*/.exec(String(headers['set-cookie']))![0]
  }, 60_000)
  afterAll(async () => {
    network.close()
    await school.close()
    postgres.stop()
  })

  it('leaves nobody without an answer, loses no step, and the Floor hears again by itself', async () => {
    const server = createServer(school.app).listen(0, '127.0.0.1')
    await once(server, 'listening')
    const floor = await new Listener().open(server, '/api/floor/live', cookie)
    await floor.until(() => floor.events.find(({ name }) => name === 'again'))
    const heard = floor.events.length

    const began = Date.now()
    let answered = 0
    const took: number[] = []
    const acknowledged: string[] = []
    let over = false
    /** Sends steps one after the other, each until it is acknowledged, as a page does. */
    const student = async () => {
      while (!over) {
        const key = randomUUID()
        const action = { type: 'operate', arrangement: { controls: {}, detached: [] } }
        for (;;) {
          const at = Date.now()
          const { status } = await tam.post(`/api/desk/${order}/steps`).send({ key, action })
          took.push(Date.now() - at)
          answered++
          if (status === 200) break
          expect([503, 429]).toContain(status)
          await pause(500)
        }
        acknowledged.push(key)
        await pause(2000)
      }
    }
    const onlookers = Array.from({ length: 19 }, async () => {
      while (!over) {
        const at = Date.now()
        const { status } = await orla.get('/api/orders')
        took.push(Date.now() - at)
        answered++
        expect([200, 503]).toContain(status)
        await pause(1000)
      }
    })
    const working = student()
    await pause(3000)
    network.swallow()
    await pause(10_000)
    network.deliver()
    const back = Date.now()
    // The Floor is told to look again, and hears the next step.
    await floor.until(() => floor.events.slice(heard).find(({ name }) => name === 'again'))
    expect(Date.now() - back).toBeLessThan(15_000)
    const before = floor.events.length
    await floor.until(() => floor.events.slice(before).find(({ name }) => name === 'row'))
    over = true
    await Promise.all([working, ...onlookers])

    // Nobody has waited longer than a statement and a connection get.
    expect(Math.max(...took)).toBeLessThan(13_000)
    expect(answered).toBeGreaterThan(60)
    const steps = await school.database.query<{ key: string }>(
      'select key from steps where work_order_id = $1',
      [order],
    )
    const kept = steps.map(({ key }) => key)
    for (const key of acknowledged) expect(kept.filter((k) => k === key)).toHaveLength(1)
    console.log(
      `cut of 10 s: ${answered} answers, the slowest after ${Math.max(...took)} ms, all ${acknowledged.length} acknowledged steps kept; Floor hears ${((Date.now() - back) / 1000).toFixed(1)} s after (whole test ${((Date.now() - began) / 1000).toFixed(0)} s)`,
    )
    floor.close()
    server.closeAllConnections()
    server.close()
  }, 120_000)
})
