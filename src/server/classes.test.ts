import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../test/school'
import { classListSchema, rosterDoneSchema, rosterPlanSchema, statusSchema } from '../contract'
import { noteFact } from './operations/status'

const table =
  'Name,Class,Login\nNela Farrow,Monday,nela\nTam P.,Monday,tam\n,Monday,x\nOrla Two,Monday,orla\n'

describe('classes and rosters', () => {
  let school: School
  let orla: TestAgent
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
  }, 60_000)
  afterAll(() => school.close())
  const people = async () => (await orla.get('/api/people')).body as { login: string; name: string }[]
  const classes = async () => classListSchema.parse((await orla.get('/api/classes').expect(200)).body)

  it('are shown before anything is changed, with what cannot be taken', async () => {
    const before = await people()
    const plan = rosterPlanSchema.parse(
      (
        await orla
          .post('/api/roster/plan')
          .send({ files: [{ name: 'list.csv', text: table }] })
          .expect(200)
      ).body,
    )
    expect(plan.people).toEqual([
      { name: 'Nela Farrow', login: 'nela', what: 'new', was: '' },
      { name: 'Tam P.', login: 'tam', what: 'renamed', was: 'Tam Pellow' },
    ])
    expect(plan.classes).toEqual([{ name: 'Monday', what: 'new', joins: 3 }])
    expect(plan.problems.map(({ where }) => where)).toEqual(['list.csv 4', 'orla'])
    expect(await people()).toEqual(before)
    expect(await classes()).toEqual([])
  })

  it('are taken in: passwords told once, to be changed before anything else, and an instructor stays one', async () => {
    const done = rosterDoneSchema.parse(
      (
        await orla
          .post('/api/roster')
          .send({ files: [{ name: 'list.csv', text: table }] })
          .expect(201)
      ).body,
    )
    expect(done).toMatchObject({ added: [{ name: 'Nela Farrow', login: 'nela' }], renamed: 1, joined: 2 })
    expect((await classes())[0]!.members.map(({ login }) => login).sort()).toEqual(['nela', 'tam'])
    expect((await people()).find(({ login }) => login === 'orla')).toMatchObject({ name: 'Orla Venning' })
    const nela = await school.signedIn('nela', done.added[0]!.password)
    await nela.get('/api/desk').expect(403)
    await nela
      .put('/api/password')
      .send({ current: done.added[0]!.password, password: 'brass-kettle-9-owl' })
      .expect(204)
    await nela.get('/api/desk').expect(200)
    // The same again changes nothing.
    const again = rosterDoneSchema.parse(
      (
        await orla
          .post('/api/roster')
          .send({ files: [{ name: 'list.csv', text: table }] })
          .expect(201)
      ).body,
    )
    expect(again).toEqual({ added: [], renamed: 0, joined: 0 })
  })

  it('stand in a school whose computer says how it is, to instructors alone', async () => {
    const status = statusSchema.parse((await orla.get('/api/status').expect(200)).body)
    expect(status).toMatchObject({ backup: null, orders: 0 })
    expect(status.database).toMatch(/^PostgreSQL \d+/)
    expect(status.bytes).toBeGreaterThan(1e6)
    await noteFact(school.database, 'backup')
    await noteFact(school.database, 'backup')
    expect(statusSchema.parse((await orla.get('/api/status')).body).backup).toMatch(/^20\d\d-/)
    const tam = await school.signedIn('tam', passwords.tam)
    await tam.get('/api/status').expect(403)
  })

  it('are made and left by hand', async () => {
    const { id } = (await orla.post('/api/classes').send({ name: 'Tuesday', term: 'Autumn' }).expect(201))
      .body as {
      id: string
    }
    await orla.post('/api/classes').send({ name: 'Tuesday', term: 'Autumn' }).expect(409)
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const student = students.find(({ login }) => login === 'maeve')!.id
    await orla.post(`/api/classes/${id}/members`).send({ student }).expect(204)
    const of = async () => (await classes()).find((c) => c.id === id)!.members
    expect(await of()).toMatchObject([{ login: 'maeve' }])
    await orla.delete(`/api/classes/${id}/members/${student}`).expect(204)
    expect(await of()).toEqual([])
    await orla.delete(`/api/classes/${id}`).expect(204)
    const tam = await school.signedIn('tam', passwords.tam)
    for (const path of ['/api/classes', '/api/roster/plan']) await tam.get(path).expect(403)
  })
})
