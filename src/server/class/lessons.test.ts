import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  circuitListSchema,
  floorSchema,
  lessonListSchema,
  storedLessonSchema,
  type LessonRow,
} from '../../contract'
import { lessonJsonSchema, readLesson } from '../../core/lab'
import { complaintOf } from '../../../test/students'
import { demoLessons } from '../demo/demo'

describe('lessons', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let students: { id: string; login: string }[]
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    students = (await orla.get('/api/students')).body as typeof students
  }, 60_000)
  afterAll(() => school.close())
  const list = async (): Promise<LessonRow[]> =>
    lessonListSchema.parse((await orla.get('/api/lessons').expect(200)).body)

  it('are eight in the demo school, in the order of a course, and every set of them has a symptom', async () => {
    expect((await list()).map(({ name }) => name[0])).toEqual([...'12345678'])
    for (const { name, circuit, sets } of demoLessons())
      // What nobody sees at once, such as a drain, needs the driver’s words.
      for (const set of sets)
        if (!set.complaint) expect(complaintOf(circuit, set.faults), `${name}: ${set.name}`).toBeDefined()
  }, 60_000)

  it('are kept from Plant, get more sets, keep their versions, go out as a file and come in again', async () => {
    const circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    const set = (part: string, segment: string) => ({
      name: `${part} bad`,
      faults: [{ kind: 'highResistance', part, segment, severity: 2 }],
      complaint: 'The work lamp is dim.',
    })
    const keep = {
      lesson: { name: 'Dim lamp', folder: 'mine', note: '', frame: { mode: 'practice' } },
      circuit,
    }
    const first = storedLessonSchema.parse(
      (
        await orla
          .post('/api/lessons/kept')
          .send({ ...keep, set: set('X2', 'pin') })
          .expect(201)
      ).body,
    )
    const second = storedLessonSchema.parse(
      (
        await orla
          .post('/api/lessons/kept')
          .send({ ...keep, set: set('G1', 'foot'), into: first.id })
          .expect(201)
      ).body,
    )
    expect(second).toMatchObject({ id: first.id, version: 2 })
    expect(second.lesson.sets).toHaveLength(2)
    expect((await orla.get(`/api/lessons/${first.id}/versions`)).body).toMatchObject([
      { version: 2, sets: 2 },
      { version: 1, sets: 1 },
    ])
    const old = storedLessonSchema.parse(
      (await orla.get(`/api/lessons/${first.id}?version=1`).expect(200)).body,
    )
    expect(old.lesson.sets).toHaveLength(1)
    const back = await orla.post('/api/lessons').send(second.lesson).expect(201)
    const again = storedLessonSchema.parse((await orla.get(`/api/lessons/${String(back.body.id)}`)).body)
    expect(again.lesson).toEqual(second.lesson)
    await orla.delete(`/api/lessons/${again.id}`).expect(204)
    await orla.get(`/api/lessons/${again.id}`).expect(404)
  })

  it('that do not fit are refused with the place, and nothing is kept', async () => {
    const before = await list()
    const [good] = demoLessons()
    const broken: [object, RegExp][] = [
      [{ ...good, format: 'something' }, /format/],
      [{ ...good, circuit: { ...good!.circuit, paths: [] } }, /circuit\.paths/],
      [{ ...good, sets: [] }, /sets/],
      [
        { ...good, sets: [{ ...good!.sets[0], faults: [{ kind: 'open', part: 'X99', segment: 'pin' }] }] },
        /sets\.0\.X99/,
      ],
      [
        {
          ...good,
          sets: [
            {
              ...good!.sets[0],
              facts: [{ arrangement: { controls: {}, detached: [] }, part: 'X99', notice: 'dim' }],
            },
          ],
        },
        /sets\.0\.facts/,
      ],
      [{ ...good, extra: 1 }, /./],
    ]
    for (const [body, where] of broken) {
      const { problems } = (await orla.post('/api/lessons').send(body).expect(422)).body as {
        problems: { where: string }[]
      }
      expect(problems.map((p) => p.where).join(' ') || 'whole').toMatch(where)
    }
    expect(await list()).toEqual(before)
  })

  it('are handed out to several at once, neighbours with different faults, and no student sees one', async () => {
    const lamp = (await list()).find(({ name }) => name.startsWith('1 '))!
    await orla
      .post(`/api/lessons/${lamp.id}/orders`)
      .send({ students: students.map(({ id }) => id), set: null })
      .expect(201, { count: students.length })
    const { rows } = floorSchema.parse((await orla.get('/api/floor')).body)
    expect(rows.filter(({ circuit }) => circuit === 'Work lamp, street sweeper')).toHaveLength(
      students.length,
    )
    const planted = await school.database.query<{ faults: unknown }>(
      'select distinct faults from work_orders',
    )
    expect(planted.length).toBe(Math.min(students.length, 4))
    const [mine] = ((await tam.get('/api/desk')).body as { rows: { id: string; complaint: string }[] }).rows
    const desk = await tam.get(`/api/desk/${mine!.id}`).expect(200)
    for (const fault of ['highResistance', 'corroded', 'strandsLost', 'sets'])
      expect(desk.text.replaceAll(/"families":\[[^\]]*\]/g, '')).not.toContain(`"${fault}"`)
    for (const path of ['/api/lessons', `/api/lessons/${lamp.id}`]) await tam.get(path).expect(403)
    await tam.post(`/api/lessons/${lamp.id}/orders`).send({ students: [], set: null }).expect(403)
  }, 60_000)

  it('hand out what a set’s author said that the student must reproduce', async () => {
    const lamp = (await list()).find(({ name }) => name.startsWith('1 '))!
    const stored = storedLessonSchema.parse((await orla.get(`/api/lessons/${lamp.id}`)).body)
    const off = { controls: { S1: 'open' }, detached: [] }
    const facts = [{ arrangement: off, part: 'L1', notice: 'dark' }]
    const [set] = stored.lesson.sets
    const sets = [{ ...set, complaint: 'It is dark at night.', facts }]
    const made = await orla
      .post('/api/lessons')
      .send({ ...stored.lesson, name: 'With facts', sets })
      .expect(201)
    const own = made.body as { id: string }
    await orla
      .post(`/api/lessons/${own.id}/orders`)
      .send({ students: [students[0]!.id], set: 0 })
      .expect(201)
    const [{ frame } = { frame: null }] = await school.database.query<{ frame: { complaint: unknown } }>(
      'select frame from work_orders where lesson_id = $1',
      [own.id],
    )
    expect(frame).toMatchObject({ complaint: facts })
  }, 60_000)

  it('have a published schema, the one that the door uses', () => {
    expect(JSON.parse(readFileSync('docs/lesson.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(lessonJsonSchema())),
    )
    for (const wild of [null, 3, [], 'x', {}]) expect(readLesson(wild).ok).toBe(false)
  })
})
