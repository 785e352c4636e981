import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { deskListSchema, examListSchema, examMadeSchema, examSchema, lessonListSchema } from '../../contract'

const minute = 60_000
const at = (minutes: number) => new Date(Date.now() + minutes * minute).toISOString()

describe('an examination', () => {
  let school: School
  let orla: TestAgent
  const agents: Record<string, TestAgent> = {}
  let students: { id: string; login: string }[]
  let lesson: string
  let exam: string
  const idOf = (login: string) => students.find((s) => s.login === login)!.id
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    for (const login of ['tam', 'idris', 'maeve'] as const)
      agents[login] = await school.signedIn(login, passwords[login])
    students = (await orla.get('/api/students')).body as typeof students
    lesson = lessonListSchema.parse((await orla.get('/api/lessons')).body)[1]!.id
  }, 60_000)
  afterAll(() => school.close())
  const body = () => ({
    lesson,
    name: 'Term paper',
    students: [idOf('tam'), idOf('idris'), idOf('maeve')],
    opens: at(-1),
    closes: at(90),
    minutes: 60,
    room: 'Bay 2',
    handbook: 'closed',
    more: { students: [idOf('maeve')], percent: 25 },
    key: randomUUID(),
  })
  const load = async () => examSchema.parse((await orla.get(`/api/exams/${exam}`).expect(200)).body)
  const orderOf = async (login: string) =>
    deskListSchema.parse((await agents[login]!.get('/api/desk').expect(200)).body).rows[0]!.id
  const desk = async (login: string) =>
    (await agents[login]!.get(`/api/desk/${await orderOf(login)}`).expect(200)).body as {
      left: number
      frame: { mode: string; hints: unknown; handbook: string }
    }

  it('is refused where its window is too short or nobody comes, and is nobody’s but an instructor’s', async () => {
    await orla
      .post('/api/exams')
      .send({ ...body(), closes: at(20) })
      .expect(422)
    await orla
      .post('/api/exams')
      .send({ ...body(), students: [] })
      .expect(422)
    await agents.tam!.post('/api/exams').send(body()).expect(403)
    await agents.tam!.get('/api/exams').expect(403)
  })

  it('is set once, gives neighbours different variants within half a logit, and more time to who is entitled to it', async () => {
    const one = body()
    const made = examMadeSchema.parse((await orla.post('/api/exams').send(one).expect(201)).body)
    exam = made.id
    expect(made.apart).toBeLessThanOrEqual(0.5)
    expect((await orla.post('/api/exams').send(one).expect(201)).body).toEqual(made)
    expect(examListSchema.parse((await orla.get('/api/exams')).body)).toMatchObject([
      { id: exam, students: 3, begun: 0 },
    ])
    const { orders } = await load()
    expect(orders.map(({ seat }) => seat)).toEqual(['1', '2', '3'])
    for (const [i, { variant }] of orders.entries()) if (i) expect(variant).not.toBe(orders[i - 1]!.variant)
    const { left, frame } = await desk('tam')
    expect(frame).toMatchObject({ mode: 'exam', hints: null, handbook: 'closed' })
    expect(left).toBeGreaterThan(59 * 60)
    expect(left).toBeLessThanOrEqual(60 * 60)
    expect((await desk('maeve')).left).toBeGreaterThan(74 * 60)
  }, 90_000)

  it('has no hints, whoever allows them, and a window that is longer for who has more time', async () => {
    await orla
      .post(`/api/orders/${await orderOf('tam')}/acts`)
      .send({ type: 'hints' })
      .expect(409)
    const ends = await school.database.query<{ login: string; ends: number }>(
      `select u.login, extract(epoch from o.closes_at)::float8 as ends from work_orders o join users u on u.id = o.student_id
       where o.exam_id = $1`,
      [exam],
    )
    const of = (who: string) => ends.find(({ login }) => login === who)!.ends
    expect(of('maeve') - of('tam')).toBeCloseTo(15 * 60, 0)
  })

  it('closes the Handbook and the drills while it is under way', async () => {
    expect((await agents.tam!.get('/api/exams/mine').expect(200)).body).toEqual({ handbook: 'closed' })
    expect((await agents.idris!.get('/api/exams/mine').expect(200)).body).toEqual({ handbook: null })
    await agents.tam!.post('/api/drills/next').send({}).expect(409)
  })

  it('is handed in by itself when its time is over, and takes no step after that', async () => {
    const id = await orderOf('tam')
    const step = (action: object) =>
      agents.tam!.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action })
    await step({ type: 'operate', arrangement: { controls: {}, detached: [] } }).expect(200)
    await school.judge.lookForLeft()
    expect((await load()).handedIn).toBe(0)
    await school.database.query(
      `update work_orders set started_at = now() - interval '62 minutes' where id = $1`,
      [id],
    )
    await step({ type: 'infer', struck: ['F1'], ringed: [], note: '' }).expect(409)
    await school.judge.lookForLeft()
    await school.judge.idle()
    const { orders, items } = await load()
    const own = orders.find((one) => one.id === id)!
    expect(own.concluded).not.toBeNull()
    expect(own.mark).not.toBeNull()
    expect(items.find(({ variant }) => variant === own.variant)).toMatchObject({ handedIn: 1 })
    expect((await agents.tam!.get('/api/exams/mine')).body).toEqual({ handbook: null })
  }, 90_000)

  it('releases nothing before all of it is released', async () => {
    const id = await orderOf('tam')
    await orla.put(`/api/orders/${id}/released`).send({ released: true }).expect(409)
    await orla
      .post('/api/orders/released')
      .send({ classes: [], students: [], asOf: at(1) })
      .expect(200)
    await agents.tam!.get(`/api/desk/${id}/review`).expect(404)
    // One is still at it, another may still begin.
    const idris = await orderOf('idris')
    await orla.post(`/api/exams/${exam}/released`).expect(409)
    await orla.delete(`/api/exams/${exam}`).expect(409)
    await school.database.query(
      `update work_orders set closes_at = now() - interval '2 minutes' where exam_id = $1`,
      [exam],
    )
    await school.database.query(`update exams set closes_at = now() - interval '2 minutes' where id = $1`, [
      exam,
    ])
    await school.judge.lookForLeft()
    const released = examSchema.parse((await orla.post(`/api/exams/${exam}/released`).expect(200)).body)
    // One was never there: nothing of theirs is handed in, and they cannot begin any more.
    expect(released.handedIn).toBe(2)
    expect(released.orders.filter(({ concluded }) => !concluded)).toHaveLength(1)
    await agents.idris!.get(`/api/desk/${idris}`).expect(409)
    const own = deskListSchema.parse((await agents.idris!.get('/api/desk')).body).rows
    expect(own.some((one) => one.id === idris)).toBe(false)
    expect(released.released).not.toBeNull()
    const review = (await agents.tam!.get(`/api/desk/${id}/review`).expect(200)).body as { exam: unknown }
    expect(review.exam).toBeNull()
    const record = (await orla.get(`/api/orders/${id}/review`).expect(200)).body as { exam: object }
    expect(record.exam).toMatchObject({
      name: 'Term paper',
      room: 'Bay 2',
      seat: '3',
      minutes: 60,
      handbook: 'closed',
    })
  }, 90_000)

  it('that nobody has begun is deleted with its orders', async () => {
    const made = examMadeSchema.parse(
      (
        await orla
          .post('/api/exams')
          .send({ ...body(), opens: at(60), closes: at(180) })
          .expect(201)
      ).body,
    )
    await orla.delete(`/api/exams/${made.id}`).expect(204)
    await orla.get(`/api/exams/${made.id}`).expect(404)
    const left = await school.database.query('select 1 from work_orders where exam_id = $1', [made.id])
    expect(left).toEqual([])
  }, 60_000)
})
