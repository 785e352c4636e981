import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { rowsOf } from '../../../test/every-table'
import { passwords, startSchool, type School } from '../../../test/school'
import { retentionStateSchema, type RetentionState } from '../../contract'
import { binOlderThan, restoreBin } from './bin'
import { lookForOld } from './retention'

let school: School
let orla: TestAgent
let students: { id: string; login: string }[]
const of = (login: string) => students.find((s) => s.login === login)!.id

beforeAll(async () => {
  school = await startSchool()
  orla = await school.signedIn('orla', passwords.orla)
  students = (await orla.get('/api/students')).body as typeof students
  // As a server does when it starts.
  await lookForOld(school.database)
}, 60_000)
afterAll(() => school.close())

const query = <Row>(sql: string, ...values: unknown[]) => school.database.query<Row>(sql, values)
const handOut = async (...logins: string[]) => {
  const lessons = (await orla.get('/api/lessons')).body as { id: string }[]
  await orla
    .post(`/api/lessons/${lessons[0]!.id}/orders`)
    .send({ students: logins.map(of), set: 0 })
    .expect(201)
}
const makeOld = (login: string, months: number) =>
  query(
    `update work_orders set created_at = now() - $2 * interval '1 month' - interval '1 day' where student_id = $1`,
    of(login),
    months,
  )
const owners = async () =>
  (await query<{ id: string }>('select distinct student_id as id from current_orders')).map(({ id }) => id)
const state = async (): Promise<RetentionState> =>
  retentionStateSchema.parse((await orla.get('/api/retention').expect(200)).body)
const inBin = () =>
  query<{ student: string }>('select student_id as student from work_orders where binned_at is not null')
/** As if what is in the bin had lain there for so many days. */
const lainFor = (days: number) =>
  query(`update work_orders set binned_at = now() - $1 * interval '1 day' where binned_at is not null`, days)
/** As if so many hours had passed since what is old was announced. */
const later = (hours: number) =>
  query(
    `update facts set body = jsonb_set(body::jsonb, '{announced}',
       to_jsonb(((body::jsonb->>'announced')::timestamptz - $1 * interval '1 hour')::text))::text
     where name = 'retention plan'`,
    hours,
  )
/** As if the clock had been trusted last so many days ago. */
const lastTrusted = (days: number) =>
  query(
    `insert into facts (name, body) values ('clock', (now() - $1 * interval '1 day')::text)
     on conflict (name) do update set body = excluded.body`,
    days,
  )

describe('what can be worked out again', () => {
  it('is forgotten when nobody has asked for it in a long time, and nothing else', async () => {
    await query(
      `insert into prepared (hash, body, at) values ('old', '{}', now() - interval '61 days'), ('asked', '{}', now() - interval '59 days')`,
    )
    await lookForOld(school.database)
    const left = await query<{ hash: string }>(`select hash from prepared where hash in ('old', 'asked')`)
    expect(left.map(({ hash }) => hash)).toEqual(['asked'])
  })
})

describe('records that have become too old', () => {
  it('are announced, wait a day, lie in the bin for thirty, and are gone', async () => {
    await handOut('tam', 'idris')
    await makeOld('tam', 12)
    await makeOld('idris', 11)
    await query(`update users set login = 'former-x', name = 'former student' where login = 'maeve'`)
    const tam = await school.signedIn('tam', passwords.tam)
    await tam.put('/api/retention').send({ months: 12 }).expect(403)
    await tam.get('/api/retention').expect(403)
    await orla.put('/api/retention').send({ months: 1 }).expect(422)

    // Set: nothing goes yet, and what will is said.
    await orla.put('/api/retention').send({ months: 12 }).expect(200)
    expect(await owners()).toContain(of('tam'))
    expect(await state()).toMatchObject({ months: 12, clock: 'steady', plan: { count: 1 }, bin: null })
    await later(23)
    expect(await lookForOld(school.database)).toBe(0)
    expect(await owners()).toContain(of('tam'))
    const before = await rowsOf(school.database, 'work_orders')
    await later(2)
    expect(await lookForOld(school.database)).toBe(1)
    expect(await owners()).toEqual([of('idris')])
    expect(await state()).toMatchObject({ plan: null, bin: { count: 1 } })
    // Who had nothing but marks left, and now has none, is gone; everybody else is there.
    const logins = (await query<{ login: string }>('select login from users')).map(({ login }) => login)
    expect(logins).not.toContain('former-x')
    expect(logins).toContain('tam')

    // Put back, it is what it was.
    await tam.post('/api/bin/restored').expect(403)
    expect((await orla.post('/api/bin/restored').expect(200)).body).toEqual({ count: 1 })
    expect(await rowsOf(school.database, 'work_orders')).toEqual(before)

    // Taken away again, and left there for thirty days.
    await lookForOld(school.database)
    await later(25)
    await lookForOld(school.database)
    await lainFor(29)
    await lookForOld(school.database)
    expect(await inBin()).toHaveLength(1)
    await lainFor(31)
    await lookForOld(school.database)
    expect(await inBin()).toHaveLength(0)
    expect(await rowsOf(school.database, 'work_orders')).toHaveLength(1)
    expect(await owners()).toEqual([of('idris')])
    await orla.put('/api/retention').send({ months: null }).expect(200)
    expect(await state()).toMatchObject({ months: null, plan: null })
  })

  /** An order of tam with a row in every table that one would miss. */
  const withEverything = async () => {
    await handOut('tam')
    await makeOld('tam', 24)
    const [order] = await query<{ id: string; lesson: string }>(
      'select id, lesson_id as lesson from work_orders where student_id = $1',
      of('tam'),
    )
    const { id } = order!
    const add = (sql: string) => query(sql, id)
    await add(
      `insert into steps (work_order_id, position, key, body) values ($1, 0, gen_random_uuid(), '{"n": 0.10}')`,
    )
    await add(`insert into replies (work_order_id, step, verdict, body) values ($1, 0, 'v', 'why?')`)
    await add(`insert into acts (work_order_id, type, body) values ($1, 'nudge', 'look')`)
    await add(
      `insert into overrides (work_order_id, aspect, points, note, instructor_id)
       select $1, 'safety', 3, 'n', id from users where login = 'orla'`,
    )
    await add(
      `insert into attempt_results (work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks,
         total, most, mark, evidence, verdicts, engine, rubric)
       select id, student_id, created_at, 'c', 'f', true, 1, 1, 0, '[]', 50, 100, 50, '[]', '{}', 'e', 'r' from work_orders
       where id = $1`,
    )
    return order!
  }
  const tables = ['steps', 'replies', 'acts', 'overrides', 'attempt_results', 'work_orders']
  const everything = () => Promise.all(tables.map((table) => rowsOf(school.database, table)))
  const lessonOf = async (id: string) =>
    (
      await query<{ lesson: string | null }>(
        'select lesson_id as lesson from current_orders where id = $1',
        id,
      )
    )[0]!.lesson

  it('are out of everybody’s sight in the bin, and come back as they were', async () => {
    const { id, lesson } = await withEverything()
    const tam = await school.signedIn('tam', passwords.tam)
    const before = await everything()
    await orla.put('/api/retention').send({ months: 12 })
    await later(25)
    expect(await lookForOld(school.database)).toBe(1)
    await tam.get(`/api/desk/${id}`).expect(404)
    await tam
      .post(`/api/desk/${id}/steps`)
      .send({ key: randomUUID(), action: { type: 'hint', level: 'where' } })
      .expect(404)
    await orla.get(`/api/orders/${id}/review`).expect(404)
    await orla.delete(`/api/orders/${id}`).expect(404)
    expect((await tam.get('/api/desk').expect(200)).body).toMatchObject({ rows: [], count: 0 })
    expect((await orla.get(`/api/ledger/marks?people=${of('tam')}`).expect(200)).body).toMatchObject({
      count: 0,
    })
    const { body } = await orla.get(`/api/ledger/${of('tam')}/export`).expect(200)
    expect(body.orders).toEqual([])
    expect(body.binned).toMatchObject([{ steps: [{ n: 0.1 }], replies: [{ verdict: 'v', body: 'why?' }] }])
    expect(await restoreBin(school.database)).toBe(1)
    expect(await everything()).toEqual(before)
    // What it belonged to may go while it lies there.
    await lookForOld(school.database)
    await later(25)
    expect(await lookForOld(school.database)).toBe(1)
    await orla.delete(`/api/lessons/${lesson}`).expect(204)
    expect(await restoreBin(school.database)).toBe(1)
    expect(await lessonOf(id)).toBeNull()
    await orla.put('/api/retention').send({ months: null })
    await query('delete from work_orders')
  })

  it('make room in the bin for a newer try, and come back beside it', async () => {
    const [first] = (await query<{ id: string }>(
      `insert into work_orders (student_id, instructor_id, complaint, document, faults, rubric, created_at)
       select $1, id, 'c', '{}', '{}', '{}', now() - interval '3 years' from users where login = 'orla' returning id`,
      of('tam'),
    )) as [{ id: string }]
    const again = (years: number) =>
      query(
        `insert into work_orders (student_id, instructor_id, complaint, document, faults, rubric, like_of, created_at)
         select $1, id, 'c', '{}', '{}', '{}', $2, now() - $3 * interval '1 year' from users where login = 'orla'`,
        of('tam'),
        first.id,
        years,
      )
    await again(2)
    expect(await binOlderThan(school.database, new Date().toISOString())).toBe(2)
    await again(0)
    expect(await restoreBin(school.database)).toBe(2)
    const kept = await query<{ like: string | null }>(
      'select like_of as like from current_orders order by created_at',
    )
    expect(kept.map(({ like }) => like)).toEqual([null, null, first.id])
    await query('delete from work_orders')
  })

  it('that a Brachyon of before has packed into its bin lie in the bin as before, with every row', async () => {
    const { id } = await withEverything()
    await query(`update work_orders set binned_at = now() - interval '7 days' where id = $1`, id)
    await query(
      `update attempt_results r set binned_at = o.binned_at from work_orders o where o.id = r.work_order_id and o.id = $1`,
      id,
    )
    const before = await everything()
    // As it was packed: without the columns that came later, and of a lesson that is gone.
    await query(
      `insert into bin (work_order_id, student_id, at, rows)
       select o.id, o.student_id, o.binned_at, jsonb_build_object('work_orders', jsonb_build_array(to_jsonb(o) - 'binned_at'),
         ${tables
           .filter((table) => table !== 'work_orders')
           .map(
             (table) =>
               `'${table}', (select jsonb_agg(to_jsonb(t) - 'binned_at') from ${table} t where t.work_order_id = o.id)`,
           )
           .join()}) from work_orders o where o.id = $1`,
      id,
    )
    await query('delete from work_orders where id = $1', id)
    await lookForOld(school.database)
    expect(await everything()).toEqual(before)
    expect(await rowsOf(school.database, 'bin')).toEqual([])
    expect(await state()).toMatchObject({ bin: { count: 1 } })
    expect((await orla.post('/api/bin/restored').expect(200)).body).toEqual({ count: 1 })
    await query('delete from work_orders')
  })

  it('go from the bin too where their student is erased', async () => {
    await handOut('maeve', 'idris').catch(() => undefined)
    await handOut('idris')
    await makeOld('idris', 24)
    await orla.put('/api/retention').send({ months: 12 })
    await later(25)
    expect(await lookForOld(school.database)).toBeGreaterThan(0)
    const ofIdris = async () => (await inBin()).filter(({ student }) => student === of('idris')).length
    expect(await ofIdris()).toBeGreaterThan(0)
    await orla.post(`/api/ledger/${of('idris')}/erased`).expect(204)
    expect(await ofIdris()).toBe(0)
    await orla.put('/api/retention').send({ months: null })
  })
})

describe('a clock that has jumped', () => {
  const dayOfYears = 10 * 365

  it('ten years ahead announces nothing, erases nothing, and empties no bin', async () => {
    await handOut('tam')
    await handOut('tam')
    await query('update work_orders set binned_at = now() where student_id = $1', of('tam'))
    await handOut('tam')
    await orla.put('/api/retention').send({ months: 12 })
    await query(`insert into sign_ins (login, address, outcome) values ('tam', '10.0.0.1', 'in')`)
    // Seen from ten years later: everything that is there is ten years older.
    await query(`update work_orders set created_at = created_at - interval '10 years'`)
    await query(`update work_orders set binned_at = binned_at - interval '10 years'`)
    await query(`update sign_ins set at = at - interval '10 years'`)
    await lastTrusted(dayOfYears)
    const left = async () =>
      Promise.all(['work_orders', 'sign_ins', 'steps'].map((table) => rowsOf(school.database, table)))
    const before = await left()
    for (let n = 0; n < 3; n++) {
      await lookForOld(school.database)
      await later(25)
    }
    expect(await left()).toEqual(before)
    expect(await state()).toMatchObject({ clock: 'ahead', plan: null })
    // Somebody who has looked at a calendar says that it is right: then it is announced, and waits as always.
    await school.visitor().post('/api/clock/right').expect(401)
    const said = retentionStateSchema.parse((await orla.post('/api/clock/right').expect(200)).body)
    expect(said.clock).toBe('steady')
    expect(said.plan?.count).toBeGreaterThan(0)
    // What had lain in the bin for ten years is gone now, as it should be.
    expect(await inBin()).toEqual([])
    expect(await query('select 1 from current_orders')).toHaveLength(1)
  })

  it('takes back what it has announced once it is right again', async () => {
    await lastTrusted(0)
    await lookForOld(school.database)
    expect((await state()).plan).not.toBeNull()
    // Back where it was: what was trusted last lies in the future.
    await lastTrusted(-dayOfYears)
    await later(25)
    expect(await lookForOld(school.database)).toBe(0)
    expect(await state()).toMatchObject({ clock: 'behind', plan: null })
    await lastTrusted(0)
  })

  it('is found out at the first start of this version too, by the newest work', async () => {
    await query(`delete from facts where name = 'clock'`)
    await query(`update work_orders set created_at = now() - interval '9 years'`)
    expect((await state()).clock).toBe('ahead')
    await query(`update work_orders set created_at = now()`)
    expect((await state()).clock).toBe('steady')
  })

  it('shuts nobody out for years, and makes no session that lasts as long', async () => {
    const enter = (password: string) => school.visitor().post('/api/session').send({ login: 'tam', password })
    // Wrong tries while the clock was ahead.
    await query(
      `insert into wrong_tries (account, source, wrong, last_at)
       select 'tam', source, 30, now() + interval '10 years' from (values ('::ffff:127.0.0.1'), ('127.0.0.1'), ('::1')) s (source)`,
    )
    const entered = await enter(passwords.tam).expect(200)
    const cookie = String(entered.headers['set-cookie'])
    await query(
      `update sessions set begun_at = now() + interval '10 years', expires_at = now() + interval '10 years'`,
    )
    await school
      .visitor()
      .get('/api/desk')
      .set('cookie', /brachyon_session=[^;]*/.exec(cookie)![0])
      .expect(401)
    // Counts of requests that began in the future hold nobody up either.
    await query(
      `insert into request_counts (key, count, since) select 'sign-in ' || a, 5000, now() + interval '10 years'
       from (values ('127.0.0.1'), ('::1')) s (a) on conflict (key) do update set count = 5000, since = excluded.since`,
    )
    await enter(passwords.tam).expect(200)
  })
})
