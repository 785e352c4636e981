import { randomUUID } from 'node:crypto'
import { pino } from 'pino'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  benchClaimsSchema,
  benchCodeSchema,
  cardPeopleSchema,
  claimSchema,
  clockOf,
  dayOf,
  signInsSchema,
  storedDaySchema,
} from '../../contract'
import { createApp } from '../app'

describe('signing in at a bench', () => {
  let school: School
  let orla: TestAgent
  let students: { id: string; login: string; name: string }[]
  let day: string
  let word: string

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    students = (await orla.get('/api/students')).body as typeof students
    const stand = (name: string) => ({ name, lesson: null, set: 0, real: false, checked: [] })
    const made = {
      name: 'Today',
      day: dayOf(new Date()),
      class: null,
      body: {
        start: '08:00',
        minutes: 45,
        rounds: 1,
        stands: [stand('Bench A'), stand('Bench B')],
        groups: students.slice(0, 2).map(({ id }) => [id]),
        seats: [[0], [1]],
        out: [],
      },
    }
    day = ((await orla.post('/api/days').send(made).expect(201)).body as { id: string }).id
    ;({ word } = storedDaySchema.parse((await orla.get(`/api/days/${day}`)).body))
  })
  afterAll(() => school.close())
  /** The same school behind a proxy, which says where each request comes from. */
  const behind = {
    visitor: () =>
      request(
        createApp({
          database: school.database,
          workers: school.workers,
          logger: pino({ level: 'silent' }),
          trustProxy: 1,
        }),
      ),
  }
  const card = (stand: number, said = word) => ({ day, stand, word: said })

  const benchCode = async (at: number): Promise<string> =>
    benchCodeSchema.parse((await orla.post(`/api/people/${students[at]!.id}/bench-code`).expect(201)).body)
      .code

  it('asks for the word of the day, then who one is, and for a code of one’s own', async () => {
    const phone = school.visitor()
    const { body } = await phone
      .post('/api/card')
      .send(card(1, ` ${word.toUpperCase()} `))
      .expect(200)
    expect(cardPeopleSchema.parse(body)).toEqual({
      day: 'Today',
      stand: 'Bench A',
      people: [{ id: students[0]!.id, name: students[0]!.name }],
    })
    const person = students[0]!.id
    // A classmate with card and word is not enough; nor is a guess, nor somebody else's code.
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person })
      .expect(403)
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person, code: '000000' })
      .expect(401)
    const code = await benchCode(0)
    expect(code).toMatch(/^\d{6}$/)
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person, code: await benchCode(1) })
      .expect(401)
    await phone.get('/api/desk').expect(401)
    // A password that somebody else chose is not in the way at a bench, and stays to be changed elsewhere.
    await school.database.query('update users set must_change = true where id = $1', [person])
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person, code })
      .expect(200)
    await phone.get('/api/desk').expect(200)
    const [session] = await school.database.query<{ hours: number }>(
      'select extract(epoch from expires_at - now())::float8 / 3600 as hours from sessions where bench is not null',
    )
    expect(session!.hours).toBeLessThan(12.1)
    const kept = await school.database.query('select 1 from users where must_change and id = $1', [person])
    expect(kept).toHaveLength(1)
    await school.database.query('update users set must_change = false where id = $1', [person])
  })

  it('or for the instructor’s word on the Floor, once', async () => {
    const person = students[1]!.id
    const phone = school.visitor()
    const asked = await phone
      .post('/api/card/ask')
      .send({ ...card(2), person })
      .expect(201)
    const { claim } = claimSchema.parse(asked.body)
    const come = (extra: object = {}) =>
      phone.post('/api/card/in').send({ ...card(2), person, claim, ...extra })
    expect((await come().expect(200)).body).toEqual({ waiting: true })
    await phone.get('/api/claims').expect(401)
    const [open] = benchClaimsSchema.parse((await orla.get('/api/claims').expect(200)).body)
    expect(open).toMatchObject({ student: students[1]!.name, station: 'Bench B' })
    // What was asked at this bench for this person opens nothing else.
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person: students[0]!.id, claim })
      .expect(403)
    await orla.post(`/api/claims/${open!.id}`).send({ confirmed: true }).expect(204)
    await come().expect(200)
    expect((await phone.get('/api/session')).body.user).toMatchObject({
      id: person,
      bench: { day, stand: 2, name: 'Bench B' },
    })
    await come().expect(403)
    // Said no to, it is over.
    const again = claimSchema.parse((await phone.post('/api/card/ask').send({ ...card(2), person })).body)
    const [next] = benchClaimsSchema.parse((await orla.get('/api/claims')).body)
    await orla.post(`/api/claims/${next!.id}`).send({ confirmed: false }).expect(204)
    await phone
      .post('/api/card/in')
      .send({ ...card(2), person, claim: again.claim })
      .expect(403)
  })

  it('opens this bench’s orders of this day and nothing else, and ends no session', async () => {
    const person = students[0]!.id
    const lessons = (await orla.get('/api/lessons')).body as { id: string }[]
    await orla
      .post(`/api/lessons/${lessons[0]!.id}/orders`)
      .send({ students: [person], set: 0 })
      .expect(201)
    await orla
      .post(`/api/lessons/${lessons[0]!.id}/orders`)
      .send({ students: [person], set: 0 })
      .expect(201)
    const orders = await school.database.query<{ id: string }>(
      'select id from work_orders where student_id = $1 order by created_at',
      [person],
    )
    const [here, elsewhere] = [orders.at(-2)!.id, orders.at(-1)!.id]
    await school.database.query(
      `update work_orders set lab_day_id = $2, station = 'Bench A', round = 1 where id = $1`,
      [here, day],
    )
    const login = students[0]!.login as 'tam'
    const owner = await school.signedIn(login, passwords[login])
    const phone = school.visitor()
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person, code: await benchCode(0) })
      .expect(200)
    const list = ((await phone.get('/api/desk').expect(200)).body as { rows: { id: string }[] }).rows
    expect(list.map(({ id }) => id)).toEqual([here])
    await phone.get(`/api/desk/${here}`).expect(200)
    const step = {
      key: randomUUID(),
      action: { type: 'operate', arrangement: { controls: {}, detached: [] } },
    }
    await phone.post(`/api/desk/${here}/steps`).send(step).expect(200)
    for (const path of ['', '/told', '/review', '/verdicts'])
      await phone.get(`/api/desk/${elsewhere}${path}`).expect(404)
    await phone.post(`/api/desk/${elsewhere}/steps`).send(step).expect(404)
    await phone.post(`/api/desk/${elsewhere}/finish`).expect(404)
    await phone.post(`/api/desk/${here}/another`).expect(403)
    const others: [string, string][] = [
      ['delete', '/api/sessions'],
      ['put', '/api/password'],
      ['post', '/api/bench-code'],
      ['get', '/api/rounds'],
      ['get', '/api/asked'],
      ['get', '/api/circuits'],
    ]
    for (const [method, path] of others)
      await phone[method as 'get'](path)
        .send(method === 'get' ? undefined : {})
        .expect(403)
    await owner.get('/api/desk').expect(200)
    expect(((await owner.get('/api/desk')).body as { count: number }).count).toBeGreaterThan(1)
  })

  it('lets nobody in who does not stand there, nor an instructor, nor on another day', async () => {
    const phone = school.visitor()
    const code = await benchCode(1)
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person: students[1]!.id, code })
      .expect(403)
    const [own] = await school.database.query<{ id: string }>(`select id from users where login = 'orla'`)
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person: own!.id, code })
      .expect(403)
    await orla.post(`/api/people/${own!.id}/bench-code`).expect(404)
    await phone.post('/api/card').send(card(3)).expect(404)
    await school.database.query('update lab_days set day = $2::date - 1 where id = $1', [
      day,
      dayOf(new Date()),
    ])
    const { body } = await phone.post('/api/card').send(card(1)).expect(404)
    expect(JSON.stringify(body)).not.toContain(students[0]!.name)
    await school.database.query('update lab_days set day = $2 where id = $1', [day, dayOf(new Date())])
    await phone.get('/api/desk').expect(401)
  })

  it('is recorded among the sign-ins, which can be read', async () => {
    const rows = signInsSchema.parse((await orla.get('/api/sign-ins').expect(200)).body)
    expect(rows.some(({ outcome }) => outcome === 'card')).toBe(true)
  })

  it('slows whoever guesses the word where they guess, and locks no bench', async () => {
    const from = (address: string, said: string, stand = 2) =>
      behind.visitor().post('/api/card').set({ 'X-Forwarded-For': address }).send(card(stand, said))
    let last = 0
    for (let n = 0; n < 7 && last !== 429; n++) last = (await from('192.0.2.9', `amber-anvil-${n}`)).status
    expect(last).toBe(429)
    await from('192.0.2.9', word).expect(429)
    await from('192.0.2.10', word).expect(200)
    await from('192.0.2.9', word, 1).expect(200)
  })
})

it('a day and a round are by the clock of the school, past midnight too', () => {
  expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
  const day = { start: '21:30', minutes: 50 }
  expect([0, 1, 3].map((round) => clockOf(day, round))).toEqual(['21:30', '22:20', '00:00'])
})
