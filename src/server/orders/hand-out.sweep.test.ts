import { randomUUID } from 'node:crypto'
import { pino } from 'pino'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { startPostgres } from '../../../test/postgres.mjs'
import { passwords, startSchool, type School } from '../../../test/school'
import { dayOf } from '../../contract'
import { createApp } from '../app'

const postgres = startPostgres()
afterAll(() => postgres.stop())

describe.each(['embedded', 'server'])('handing out, on a database that is %s', (kind) => {
  let school: School
  let orla: TestAgent
  /** The same instructor at another server process. */
  let elsewhere: TestAgent
  let students: { id: string; login: string }[]
  let lesson: string

  beforeAll(async () => {
    school = await startSchool(kind === 'server' ? { url: postgres.url } : {})
    orla = await school.signedIn('orla', passwords.orla)
    const { database, workers } = school
    elsewhere = request.agent(createApp({ database, workers, logger: pino({ level: 'silent' }) }))
    await elsewhere.post('/api/session').send({ login: 'orla', password: passwords.orla }).expect(200)
    students = (await orla.get('/api/students')).body as typeof students
    lesson = ((await orla.get('/api/lessons')).body as { id: string }[])[0]!.id
  }, 60_000)
  afterAll(() => school.close())

  const orders = async () =>
    (await school.database.query<{ student: string }>('select student_id as student from work_orders')).map(
      ({ student }) => student,
    )
  const emptied = () => school.database.query('delete from work_orders')

  it('under one key is done once, however often and wherever it is asked for', async () => {
    const body = { students: students.map(({ id }) => id), set: 0, key: randomUUID() }
    const asked = await Promise.all(
      [orla, elsewhere, orla, elsewhere].map((one) => one.post(`/api/lessons/${lesson}/orders`).send(body)),
    )
    expect(asked.map(({ status }) => status)).toEqual([201, 201, 201, 201])
    expect(asked.map(({ body }) => body.count)).toEqual(Array(4).fill(students.length))
    expect((await orders()).toSorted()).toEqual(students.map(({ id }) => id).toSorted())
    // Another act has another key.
    await orla
      .post(`/api/lessons/${lesson}/orders`)
      .send({ ...body, key: randomUUID() })
      .expect(201)
    expect(await orders()).toHaveLength(2 * students.length)
    await emptied()
  })

  it('of one order under one key answers with that order', async () => {
    const circuits = (await orla.get('/api/circuits')).body as { id: string; name: string }[]
    const body = {
      key: randomUUID(),
      circuit: circuits.find(({ name }) => name === 'Work lamp, street sweeper')!.id,
      students: [students[0]!.id],
      complaint: 'It is dim.',
      faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
    }
    const asked = await Promise.all([1, 2, 3].map(() => orla.post('/api/orders').send(body).expect(201)))
    expect(new Set(asked.map(({ body }) => body.id as string)).size).toBe(1)
    expect(await orders()).toHaveLength(1)
    await emptied()
  })

  it('is for all of them or for none', async () => {
    const gone = '00000000-0000-4000-8000-00000000dead'
    const body = { students: [...students.map(({ id }) => id), gone], set: 0, key: randomUUID() }
    await orla.post(`/api/lessons/${lesson}/orders`).send(body).expect(422)
    expect(await orders()).toEqual([])
    // What was refused may be put right under the same key.
    await orla
      .post(`/api/lessons/${lesson}/orders`)
      .send({ ...body, students: body.students.slice(0, -1) })
      .expect(201)
    expect(await orders()).toHaveLength(students.length)
    await emptied()
  })

  it('of a round pressed four times makes one order for each', async () => {
    const stand = (name: string) => ({ name, lesson, set: 0, real: false, checked: [] })
    const day = {
      name: 'Today',
      day: dayOf(new Date()),
      class: null,
      body: {
        start: '08:00',
        minutes: 45,
        rounds: 2,
        stands: [stand('Bench A'), stand('Bench B')],
        groups: students.slice(0, 2).map(({ id }) => [id]),
        seats: [
          [0, 1],
          [1, 0],
        ],
        out: [],
      },
    }
    const { id } = (await orla.post('/api/days').send(day).expect(201)).body as { id: string }
    const pressed = await Promise.all(
      [orla, elsewhere, orla, elsewhere].map((one) => one.post(`/api/days/${id}/rounds/1`).expect(201)),
    )
    expect(pressed.reduce((sum, { body }) => sum + (body.count as number), 0)).toBe(2)
    expect(await orders()).toHaveLength(2)
    await orla.post(`/api/days/${id}/rounds/2`).expect(201)
    expect(await orders()).toHaveLength(4)
    const stored = (await orla.get(`/api/days/${id}`)).body as { body: { out: number[] } }
    expect(stored.body.out).toEqual([0, 1])
    await emptied()
  })

  it('of another like it, asked for ten times, is one', async () => {
    await orla
      .post(`/api/lessons/${lesson}/orders`)
      .send({ students: [students.find((s) => s.login === 'tam')!.id], set: 0 })
    const [made] = await school.database.query<{ id: string }>('select id from work_orders')
    await school.database.query('update work_orders set concluded_at = now(), released_at = now()')
    const tam = await school.signedIn('tam', passwords.tam)
    const asked = await Promise.all(
      Array.from({ length: 10 }, () => tam.post(`/api/desk/${made!.id}/another`)),
    )
    expect(asked.map(({ status }) => status)).toEqual(Array(10).fill(201))
    expect(new Set(asked.map(({ body }) => body.id as string)).size).toBe(1)
    expect(await orders()).toHaveLength(2)
    await emptied()
  })

  it('steps of a minute are counted over all processes', async () => {
    await orla
      .post(`/api/lessons/${lesson}/orders`)
      .send({ students: [students.find((s) => s.login === 'idris')!.id], set: 0 })
    const [made] = await school.database.query<{ id: string }>('select id from work_orders')
    const here = await school.signedIn('idris', passwords.idris)
    const { database, workers } = school
    const there = request.agent(createApp({ database, workers, logger: pino({ level: 'silent' }) }))
    await there.post('/api/session').send({ login: 'idris', password: passwords.idris }).expect(200)
    const step = (agent: typeof there, n: number) =>
      agent.post(`/api/desk/${made!.id}/steps`).send({
        key: randomUUID(),
        action: { type: 'infer', struck: [], ringed: [], note: String(n) },
      })
    const answers: number[] = []
    for (let n = 0; n < 70; n++)
      answers.push((await step(n % 2 ? (here as unknown as typeof there) : there, n)).status)
    expect(answers.filter((status) => status !== 429)).toHaveLength(60)
    expect(answers.slice(60)).toEqual(Array(10).fill(429))
    await emptied()
  })
})
