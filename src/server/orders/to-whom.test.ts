import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { circuitListSchema, deskListSchema, floorSchema, orderListSchema } from '../../contract'

describe('to whom an order goes, and from when', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let ids: Record<string, string>
  let order: object

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    const circuits = circuitListSchema.parse((await orla.get('/api/circuits')).body)
    const list = (await orla.get('/api/students')).body as { id: string; login: string }[]
    ids = Object.fromEntries(list.map(({ login, id }) => [login, id]))
    order = {
      circuit: circuits.find((c) => c.name === 'Work lamp, street sweeper')!.id,
      complaint: 'The work lamp is dim.',
      faults: [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }],
    }
  }, 60_000)
  afterAll(() => school.close())

  const handOut = (more: object) => orla.post('/api/orders').send({ ...order, ...more })
  const open = async () => orderListSchema.parse((await orla.get('/api/orders?state=open')).body)
  const desk = async () => deskListSchema.parse((await tam.get('/api/desk')).body).rows.map(({ id }) => id)

  it('goes to several in one act, once to each', async () => {
    const before = (await open()).count
    const students = [ids.tam, ids.idris, ids.maeve, ids.tam]
    expect((await handOut({ students }).expect(201)).body).toMatchObject({ count: 3 })
    expect((await open()).count).toBe(before + 3)
    await handOut({ students: [] }).expect(422)
    // One who is no student: nobody gets any.
    await handOut({ students: [ids.tam, '00000000-0000-4000-8000-000000000000'] }).expect(422)
    expect((await open()).count).toBe(before + 3)
  })

  it('is nobody’s before it opens, and cannot be told from one that does not exist', async () => {
    const opens = new Date(Date.now() + 3_600_000).toISOString()
    const { id } = (await handOut({ students: [ids.tam], opens }).expect(201)).body as { id: string }
    expect(await desk()).not.toContain(id)
    const missing = await tam.get('/api/desk/00000000-0000-4000-8000-000000000000').expect(404)
    expect((await tam.get(`/api/desk/${id}`).expect(404)).body).toEqual(missing.body)
    expect((await open()).rows.find((row) => row.id === id)).toMatchObject({ early: true })
    const floor = floorSchema.parse((await orla.get('/api/floor')).body)
    expect(floor.rows.map((row) => row.id)).not.toContain(id)

    await school.database.query(
      `update work_orders set created_at = now() - interval '1 second' where id = $1`,
      [id],
    )
    expect(await desk()).toContain(id)
    await tam.get(`/api/desk/${id}`).expect(200)
    expect((await open()).rows.find((row) => row.id === id)).toMatchObject({ early: false })
  })

  it('opens at once where the moment is past', async () => {
    const opens = new Date(Date.now() - 86_400_000).toISOString()
    const { id } = (await handOut({ students: [ids.tam], opens }).expect(201)).body as { id: string }
    expect(await desk()).toContain(id)
    const { created } = (await open()).rows.find((row) => row.id === id)!
    expect(Date.parse(created)).toBeGreaterThan(Date.now() - 60_000)
    await handOut({ students: [ids.tam], opens: 'tomorrow' }).expect(422)
  })
})
