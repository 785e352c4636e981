import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { dayListSchema, floorSchema, lessonListSchema, storedDaySchema, type LessonRow } from '../../contract'

describe('a lab day', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let students: { id: string; login: string }[]
  let lessons: LessonRow[]
  let id: string
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    students = (await orla.get('/api/students')).body as typeof students
    lessons = lessonListSchema.parse((await orla.get('/api/lessons')).body)
  }, 60_000)
  afterAll(() => school.close())
  const body = () => ({
    start: '08:00',
    minutes: 45,
    rounds: 2,
    stands: [0, 1, 2].map((i) => ({
      name: `Bench ${i + 1}`,
      lesson: lessons[i]!.id,
      set: 0,
      real: i === 1,
      checked: [],
    })),
    groups: students.slice(0, 3).map((s) => [s.id]),
    seats: [
      [0, 1],
      [1, 2],
      [2, 0],
    ],
    out: [],
  })
  const day = async () => storedDaySchema.parse((await orla.get(`/api/days/${id}`).expect(200)).body)

  it('is kept as one document, and not written over by whoever read it earlier', async () => {
    const made = { name: 'Thursday', day: '2026-12-03', class: null, body: body() }
    id = ((await orla.post('/api/days').send(made).expect(201)).body as { id: string }).id
    const { revision, ...first } = await day()
    const changed = {
      name: first.name,
      day: first.day,
      class: null,
      revision,
      body: { ...first.body, minutes: 30 },
    }
    await orla.put(`/api/days/${id}`).send(changed).expect(200)
    await orla.put(`/api/days/${id}`).send(changed).expect(409)
    expect((await day()).body.minutes).toBe(30)
    for (const spoilt of [{ rounds: 0 }, { start: '25:00' }, { stands: 3 }, { seats: [[99]] }])
      await orla
        .put(`/api/days/${id}`)
        .send({ ...changed, revision: revision + 1, body: { ...body(), ...spoilt } })
        .expect(422)
    expect(dayListSchema.parse((await orla.get('/api/days')).body)).toMatchObject({
      rows: [{ name: 'Thursday', stations: 3 }],
      count: 1,
      after: null,
    })
  })

  it('hands a round out once: to each the lesson of the bench where they stand', async () => {
    await orla.post(`/api/days/${id}/rounds/1`).expect(201, { count: 3 })
    await orla.post(`/api/days/${id}/rounds/1`).expect(201, { count: 0 })
    await orla.post(`/api/days/${id}/rounds/3`).expect(422)
    expect((await day()).body.out).toEqual([0])
    const { rows } = floorSchema.parse((await orla.get(`/api/floor?day=${id}`).expect(200)).body)
    expect(rows.map(({ station, round, student }) => [station, round, student.id])).toEqual(
      students.slice(0, 3).map((s, i) => [`Bench ${i + 1}`, 1, s.id]),
    )
    expect(rows.map(({ circuit }) => circuit)).toEqual(lessons.slice(0, 3).map((l) => l.circuit))
    const sources = await school.database.query<{ source: string }>(
      `select frame->>'source' as source from work_orders where lab_day_id = $1 order by station`,
      [id],
    )
    // A real board’s readings are typed.
    expect(sources.map(({ source }) => source)).toEqual(['model', 'typed', 'model'])
    await orla.post(`/api/days/${id}/rounds/2`).expect(201, { count: 3 })
  }, 60_000)

  it('is no student’s', async () => {
    for (const path of ['/api/days', `/api/days/${id}`]) await tam.get(path).expect(403)
    await tam.post(`/api/days/${id}/rounds/1`).expect(403)
    expect((await tam.get('/api/desk')).text).not.toContain('lab_day')
  })
})
