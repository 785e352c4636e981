import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { answerOf, linesOf } from '../../../test/progress'
import { passwords, startSchool, type School } from '../../../test/school'
import { classListSchema, rosterDoneSchema, rosterPlanSchema, statusSchema } from '../../contract'
import { noteFact } from '../operations/status'

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
      { name: 'Nela Farrow', given: 'nela', login: 'nela', what: 'new', was: '' },
      { name: 'Tam P.', given: 'tam', login: 'tam', what: 'question', was: 'Tam Pellow' },
    ])
    expect(plan.classes).toEqual([{ name: 'Monday', what: 'new', joins: 3 }])
    expect(plan.problems.map(({ where }) => where)).toEqual(['list.csv 4', 'orla'])
    expect(await people()).toEqual(before)
    expect(await classes()).toEqual([])
  })

  it('are taken in: passwords told once, to be changed before anything else, and an instructor stays one', async () => {
    const done = rosterDoneSchema.parse(
      answerOf(
        (
          await orla
            .post('/api/roster')
            .send({ files: [{ name: 'list.csv', text: table }], answers: { tam: 'same' } })
            .expect(200)
        ).text,
      ),
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
      answerOf(
        (
          await orla
            .post('/api/roster')
            .send({ files: [{ name: 'list.csv', text: table }] })
            .expect(200)
        ).text,
      ),
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

describe('a roster of many', () => {
  it('is taken in with word on how far it is, and refused in words where it cannot be', async () => {
    const school = await startSchool()
    const orla = await school.signedIn('orla', passwords.orla)
    const people = Array.from({ length: 12 }, (_, i) => `Given${i},Family${i},Large group`)
    const files = [{ name: 'list.csv', text: `First name,Last name,Class\n${people.join('\n')}\n` }]
    const { text, headers } = await orla.post('/api/roster').send({ files }).expect(200)
    expect(headers['content-type']).toContain('ndjson')
    const lines = linesOf(text)
    expect(lines.slice(0, -1)).toEqual([5, 10, 12].map((done) => ({ done, of: 12 })))
    const { added, joined } = rosterDoneSchema.parse(answerOf(text))
    expect([added.length, joined]).toEqual([12, 12])
    await school.signedIn(added[11]!.login, added[11]!.password)
    // What is wrong with what was sent is said as ever, before anything begins.
    await orla.post('/api/roster').send({ files: [] }).expect(422)
    await school.close()
  }, 60_000)
})

describe('a roster that names somebody whom the school may know', () => {
  let school: School
  let orla: TestAgent
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    await school.database.query(`update users set sourced = 's-tam' where login = 'tam'`)
  }, 60_000)
  afterAll(() => school.close())

  /** A set of OneRoster files with these people, one a line, and classes. */
  const set = (people: readonly string[], classes: readonly string[] = []) => [
    {
      name: 'users.csv',
      text: ['sourcedId,status,enabledUser,role,username,givenName,familyName', ...people].join('\n'),
    },
    { name: 'classes.csv', text: ['sourcedId,status,title', ...classes].join('\n') },
  ]
  const plan = async (files: object, answers: object = {}) =>
    rosterPlanSchema.parse((await orla.post('/api/roster/plan').send({ files, answers }).expect(200)).body)
  const take = async (files: object, answers: object = {}) =>
    rosterDoneSchema.parse(
      answerOf((await orla.post('/api/roster').send({ files, answers }).expect(200)).text),
    )
  const account = async (login: string) =>
    (
      await school.database.query<{ id: string; name: string; sourced: string | null; hash: string }>(
        'select id, name, sourced, password_hash as hash from users where login = $1',
        [login],
      )
    )[0]

  it('never takes an account over by its sign-in name: whose it is is asked', async () => {
    const before = await account('tam')
    // Next year's Tam has another number; idris has none here yet.
    const files = set([
      's-new,active,true,student,tam,Tamsin,Reed',
      's-idris,active,true,student,idris,Idris,Quill',
    ])
    expect((await plan(files)).people).toMatchObject([
      { login: 'tam', what: 'question', was: 'Tam Pellow' },
      { login: 'idris', what: 'question', was: 'Idris Quill' },
    ])
    // Nothing is said: nothing happens to either.
    expect(await take(files)).toEqual({ added: [], renamed: 0, joined: 0 })
    expect(await account('tam')).toEqual(before)
    expect((await account('idris'))!.sourced).toBeNull()
    // Said: one is somebody else, and gets an account of their own; the other is the same person.
    const done = await take(files, { tam: 'other', idris: 'same' })
    expect(done.added).toMatchObject([{ name: 'Tamsin Reed', login: 'tam-2' }])
    expect(await account('tam')).toEqual(before)
    expect(await account('tam-2')).toMatchObject({ name: 'Tamsin Reed', sourced: 's-new' })
    expect((await account('idris'))!.sourced).toBe('s-idris')
    // Known by their numbers now, nobody is asked again; a name that has changed follows its number.
    const later = set([
      's-new,active,true,student,tam,Tamsin,Reed',
      's-idris,active,true,student,idris,Idris,Quill-Marsh',
      's-tam,active,true,student,tam.pellow,Tam,Pellow',
    ])
    expect((await plan(later)).people.map(({ what }) => what)).toEqual(['same', 'renamed', 'same'])
    await take(later)
    expect((await account('idris'))!.name).toBe('Idris Quill-Marsh')
  })

  it('of two rows with one number, and two classes of one title, keeps all that can be kept', async () => {
    const files = set(
      ['s-9,active,true,student,nine,Nia,Nine', 's-9,active,true,student,ten,Tia,Ten'],
      ['c-1,active,Monday group', 'c-2,active,Monday group', 'c-2,active,Again'],
    )
    const { people, problems, classes } = await plan(files)
    expect(people.map(({ login }) => login)).toEqual(['nine'])
    expect(problems.map(({ where }) => where)).toEqual(['users.csv 3', 'classes.csv 4'])
    expect(classes).toHaveLength(2)
    await take(files)
    const names = classListSchema.parse((await orla.get('/api/classes')).body).map(({ name }) => name)
    expect(names.toSorted()).toEqual(['Monday group', 'Monday group (2)'])
    // The same again finds both.
    expect((await plan(files)).classes.map(({ what }) => what)).toEqual(['same', 'same'])
    await take(files)
    const long = 'x'.repeat(3000)
    await take(set([], [`c-long,active,${long}`]))
    await orla.post('/api/classes').send({ name: long }).expect(422)
  })
})
