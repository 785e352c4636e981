import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../test/school'
import { cardPeopleSchema, clockOf, dayOf, storedDaySchema } from '../contract'

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
  const card = (stand: number, said = word) => ({ day, stand, word: said })

  it('asks for the word of the day, then who one is, and then nothing more', async () => {
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
    // A password that somebody else chose is not in the way at a bench, and stays to be changed elsewhere.
    await school.database.query('update users set must_change = true where id = $1', [students[0]!.id])
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person: students[0]!.id })
      .expect(200)
    await phone.get('/api/desk').expect(200)
    const [session] = await school.database.query<{ hours: number }>(
      'select extract(epoch from expires_at - now())::float8 / 3600 as hours from sessions where by_card',
    )
    expect(session!.hours).toBeLessThan(12.1)
    const kept = await school.database.query('select 1 from users where must_change and id = $1', [
      students[0]!.id,
    ])
    expect(kept).toHaveLength(1)
    await school.database.query('update users set must_change = false where id = $1', [students[0]!.id])
  })

  it('lets nobody in who does not stand there, nor an instructor, nor on another day', async () => {
    const phone = school.visitor()
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person: students[1]!.id })
      .expect(403)
    const [own] = await school.database.query<{ id: string }>(`select id from users where login = 'orla'`)
    await phone
      .post('/api/card/in')
      .send({ ...card(1), person: own!.id })
      .expect(403)
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

  it('slows whoever guesses the word, at that bench alone', async () => {
    const guesser = school.visitor()
    let last = 0
    for (let n = 0; n < 7 && last !== 429; n++)
      last = (await guesser.post('/api/card').send(card(2, `amber-anvil-${n}`))).status
    expect(last).toBe(429)
    await guesser.post('/api/card').send(card(2)).expect(429)
    await school.visitor().post('/api/card').send(card(1)).expect(200)
  })
})

it('a day and a round are by the clock of the school, past midnight too', () => {
  expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
  const day = { start: '21:30', minutes: 50 }
  expect([0, 1, 3].map((round) => clockOf(day, round))).toEqual(['21:30', '22:20', '00:00'])
})
