import { afterAll, beforeAll, expect, it } from 'vitest'
import { passwords, startSchool, type School } from '../../test/school'
import { statusSchema } from '../contract'
import { forgetOld } from './retention'

let school: School
beforeAll(async () => {
  school = await startSchool()
})
afterAll(() => school.close())

it('records are kept until they are erased, or as long as the school says, and not a day of others’ more', async () => {
  const { database } = school
  const orla = await school.signedIn('orla', passwords.orla)
  const tam = await school.signedIn('tam', passwords.tam)
  const lessons = (await orla.get('/api/lessons')).body as { id: string }[]
  const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
  const of = (login: string) => students.find((s) => s.login === login)!.id
  await orla
    .post(`/api/lessons/${lessons[0]!.id}/orders`)
    .send({ students: [of('tam'), of('idris')], set: 0 })
    .expect(201)
  const age = (login: string, months: number) =>
    database.query(
      `update work_orders set created_at = now() - $2 * interval '1 month' - interval '1 day' where student_id = $1`,
      [of(login), months],
    )
  await age('tam', 12)
  await age('idris', 11)
  await database.query(`update users set login = 'former-x', name = 'former student' where login = 'maeve'`)
  const left = async () =>
    (await database.query<{ id: string }>('select distinct student_id as id from work_orders')).map(
      ({ id }) => id,
    )

  await forgetOld(database)
  expect(await left()).toContain(of('tam'))
  await tam.put('/api/retention').send({ months: 12 }).expect(403)
  await orla.put('/api/retention').send({ months: 1 }).expect(422)
  expect(await left()).toContain(of('tam'))
  await orla.put('/api/retention').send({ months: 12 }).expect(204)
  expect(await left()).not.toContain(of('tam'))
  expect(await left()).toContain(of('idris'))
  // Who had nothing but marks left, and now has none, is gone; everybody else is there.
  const people = await database.query<{ login: string }>('select login from users')
  expect(people.map(({ login }) => login)).not.toContain('former-x')
  expect(people.map(({ login }) => login)).toContain('tam')
  expect(statusSchema.parse((await orla.get('/api/status')).body).retention).toBe(12)
  await orla.put('/api/retention').send({ months: null }).expect(204)
  expect(statusSchema.parse((await orla.get('/api/status')).body).retention).toBeNull()
})
