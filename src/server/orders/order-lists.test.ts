import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { courseSchema, deskListSchema, floorSchema, orderListSchema, scopeSchema } from '../../contract'

/** More than any page, and than any list that was ever cut off. */
const many = 130

describe('a school with more work than a list shows at once', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let ids: Record<'tam' | 'idris' | 'maeve', string>
  let group: string
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    ids = Object.fromEntries(students.map(({ id, login }) => [login, id])) as typeof ids
    group = (
      (await orla.post('/api/classes').send({ name: 'Evening', term: '' }).expect(201)).body as { id: string }
    ).id
    await orla.post(`/api/classes/${group}/members`).send({ student: ids.tam }).expect(204)
    // All finished in the same second, which is where a page by time alone would lose some.
    await school.database.query(
      `insert into work_orders (student_id, instructor_id, complaint, document, faults, rubric, created_at, concluded_at)
       select s, (select id from users where login = 'orla'), 'It is dim.', c.document, '[]', '{}', now() - interval '2 days',
         now() - interval '1 day' from unnest($1::uuid[]) s, generate_series(1, ${many}),
         (select document from circuits limit 1) c`,
      [[ids.tam, ids.idris]],
    )
    await school.database.query(
      `insert into attempt_results (work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks, total,
         most, mark, evidence, verdicts, engine, rubric)
       select id, student_id, concluded_at, 'c', 'f', true, 1, 1, 0, '[]', 50, 100, 50, '[]', '{}', 'e', 'r' from work_orders`,
    )
  }, 60_000)
  afterAll(() => school.close())

  const orders = async (query: string) =>
    orderListSchema.parse((await orla.get(`/api/orders?${query}`).expect(200)).body)
  /** Every page of a list, by what asks for it. */
  async function all<T extends { id: string }>(
    page: (after: string) => Promise<{ rows: T[]; count: number; after: string | null }>,
  ): Promise<{ rows: T[]; counts: Set<number> }> {
    const rows: T[] = []
    const counts = new Set<number>()
    for (let after: string | null = ''; after !== null;) {
      const one = await page(after && `&after=${after}`)
      rows.push(...one.rows)
      counts.add(one.count)
      after = one.after
      expect(rows.length).toBeLessThanOrEqual(one.count)
    }
    return { rows, counts }
  }

  it('lists all of it by pages, none twice, and says how much there is', async () => {
    const { rows, counts } = await all((after) => orders(`state=waiting${after}`))
    expect(rows).toHaveLength(2 * many)
    expect(new Set(rows.map(({ id }) => id)).size).toBe(2 * many)
    expect([...counts]).toEqual([2 * many])
    expect((await orders('state=open')).count).toBe(0)
  })

  it('lists a class alone, or some of its people', async () => {
    const own = await all((after) => orders(`state=waiting&class=${group}${after}`))
    expect(own.rows).toHaveLength(many)
    expect(new Set(own.rows.map(({ studentId }) => studentId))).toEqual(new Set([ids.tam]))
    expect((await orders(`state=waiting&student=${ids.idris}`)).count).toBe(many)
    expect((await orders(`state=waiting&student=${ids.maeve}`)).count).toBe(0)
    await orla.get('/api/orders?state=waiting&class=evening').expect(422)
    await orla.get('/api/orders?state=waiting&after=nonsense').expect(422)
  })

  it('shows a student all of their own work, and an instructor all of a student’s course', async () => {
    const desk = await all(async (after) =>
      deskListSchema.parse((await tam.get(`/api/desk?${after}`).expect(200)).body),
    )
    expect(desk.rows).toHaveLength(many)
    const course = await all(async (after) =>
      courseSchema.parse((await orla.get(`/api/ledger/${ids.tam}?${after}`).expect(200)).body),
    )
    expect(new Set(course.rows.map(({ id }) => id)).size).toBe(many)
    await tam.get('/api/desk?after=nonsense').expect(422)
  })

  it('writes every mark and every result into its file', async () => {
    for (const name of ['marks', 'results']) {
      const { text } = await orla.get(`/api/ledger/${name}.csv`).expect(200)
      expect(text.trim().split('\r\n'), name).toHaveLength(1 + 2 * many)
      const own = (await orla.get(`/api/ledger/${name}.csv?class=${group}`).expect(200)).text
      expect(own.trim().split('\r\n'), name).toHaveLength(1 + many)
      const none = (await orla.get(`/api/ledger/${name}.csv?student=${ids.maeve}`).expect(200)).text
      expect(none.trim().split('\r\n'), name).toHaveLength(1)
    }
  })

  it('gives back what was shown with its number: nothing of another class, nothing that was finished since', async () => {
    const { asOf, count } = await orders(`state=waiting&class=${group}`)
    await school.database.query(
      `insert into work_orders (student_id, instructor_id, complaint, document, faults, rubric, concluded_at)
       select student_id, instructor_id, complaint, document, faults, rubric, now() from work_orders where student_id = $1 limit 1`,
      [ids.tam],
    )
    const asked = { classes: [group], students: [], asOf }
    await orla.post('/api/orders/released').send(asked).expect(200, { count })
    expect((await orders('state=waiting')).count).toBe(many + 1)
    expect((await orders('state=given')).count).toBe(many)
    await orla.post('/api/orders/released').send({ classes: [], students: [] }).expect(422)
  })

  it('shows the Floor of a class, and says how many there are', async () => {
    const whole = floorSchema.parse((await orla.get('/api/floor').expect(200)).body)
    expect(whole).toMatchObject({ count: 1, rows: [{ student: { id: ids.tam } }] })
    const other = floorSchema.parse((await orla.get(`/api/floor?student=${ids.idris}`).expect(200)).body)
    expect(other).toEqual({ rows: [], count: 0 })
  })

  it('remembers what an instructor looked at last', async () => {
    const last = async () => scopeSchema.parse((await orla.get('/api/scope').expect(200)).body)
    expect(await last()).toEqual({ classes: [], students: [] })
    await orla
      .put('/api/scope')
      .send({ classes: [group], students: [ids.tam] })
      .expect(204)
    expect(await last()).toEqual({ classes: [group], students: [ids.tam] })
    await orla
      .put('/api/scope')
      .send({ classes: ['x'] })
      .expect(422)
    expect(await last()).toEqual({ classes: [group], students: [ids.tam] })
    await tam.get('/api/scope').expect(403)
  })
})
