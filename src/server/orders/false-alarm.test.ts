import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { circuitListSchema } from '../../contract'

const on = { controls: { S1: 'closed' }, detached: [] }
const claim = { arrangement: on, part: 'L1', notice: 'dim' }
const planted = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }

describe('an order in which nothing is wrong', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let order: { circuit: string; students: string[]; complaint: string }

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    const circuits = circuitListSchema.parse((await orla.get('/api/circuits')).body)
    const list = (await orla.get('/api/students')).body as { id: string; login: string }[]
    order = {
      circuit: circuits.find((c) => c.name === 'Work lamp, street sweeper')!.id,
      students: [list.find((s) => s.login === 'tam')!.id],
      complaint: 'The work lamp is dim.',
    }
  }, 60_000)
  afterAll(() => school.close())

  const send = (more: object) => orla.post('/api/orders').send({ ...order, ...more })
  const alarm = (more: object = {}) =>
    send({ faults: [], sound: true, frame: { complaint: [{ ...claim, ...more }] } })

  it('is handed out only when that is said, with a claim that the circuit can make', async () => {
    await send({ faults: [] }).expect(422)
    expect((await alarm({ part: 'L9' }).expect(422)).text).toContain('L9')
    expect((await alarm({ notice: 'purple' }).expect(422)).text).toContain('L1')
    await alarm().expect(201)
  })

  it('looks to its student like any other, and is concluded by its own name', async () => {
    const { id } = (await alarm().expect(201)).body as { id: string }
    const other = (await send({ faults: [planted], frame: { complaint: [claim] } }).expect(201)).body as {
      id: string
    }
    const desk = async (one: string) =>
      JSON.stringify({ ...((await tam.get(`/api/desk/${one}`).expect(200)).body as object), id: '' })
    expect(await desk(id)).toBe(await desk(other.id))
    const step = (action: object) => tam.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action })
    await step({ type: 'operate', arrangement: on, says: 'notReproduced' }).expect(200)
    await step({
      type: 'test',
      arrangement: on,
      instrument: 'volts',
      settings: {},
      held: { type: 'leads', red: 'B1+', black: 'L1f' },
      prediction: { type: 'value', value: 0.3 },
    }).expect(200)
    await step({ type: 'conclude', piece: 'sound', kind: 'open', sure: 90 }).expect(422)
    await step({ type: 'conclude', piece: 'X2', kind: 'sound', sure: 90 }).expect(422)
    await step({ type: 'conclude', piece: 'sound', kind: 'sound', sure: 90 }).expect(200)
    await tam.post(`/api/desk/${id}/finish`).expect(200)
  })
})
