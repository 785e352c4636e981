import { tell } from '../../contract/words'
import { readWords } from '../../core/document'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import Papa from 'papaparse'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  attemptsSchema,
  circuitListSchema,
  commonMistakesSchema,
  courseSchema,
  ledgerSchema,
  ledgerStudentsSchema,
  marksSchema,
} from '../../contract'

const on = { controls: { S1: 'closed' }, detached: [] }

describe('the Ledger', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let idris: TestAgent
  let students: { id: string; login: string; name: string }[]
  const idOf = (login: string) => students.find((s) => s.login === login)!.id
  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    idris = await school.signedIn('idris', passwords.idris)
    students = (await orla.get('/api/students')).body as typeof students
    const circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
    const work = async (agent: TestAgent, login: string, piece: string, sure: number) => {
      const order = {
        circuit,
        students: [idOf(login)],
        complaint: 'The work lamp is dim.',
        faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }],
      }
      const { id } = (await orla.post('/api/orders').send(order).expect(201)).body as { id: string }
      const step = (action: object) =>
        agent.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action }).expect(200)
      await step({ type: 'operate', arrangement: on, says: 'asComplained' })
      await step({
        type: 'test',
        arrangement: on,
        instrument: 'volts',
        settings: {},
        held: { type: 'leads', red: 'X2a', black: 'X2b' },
        prediction: { type: 'value', value: 0.02 },
      })
      await step({ type: 'conclude', piece, kind: 'highResistance', sure })
      await agent.post(`/api/desk/${id}/finish`).expect(200)
    }
    await work(tam, 'tam', 'X2', 95)
    await work(tam, 'tam', 'X2', 85)
    await work(idris, 'idris', 'L1.socket', 90)
  }, 90_000)
  afterAll(() => school.close())
  /** What is judged behind the answers is judged when nobody waits any more. */
  const read = async (query = '') => {
    await school.judge.idle()
    const [ledger, page] = await Promise.all([
      orla.get(`/api/ledger${query}`).expect(200),
      orla.get(`/api/ledger/students${query}`).expect(200),
    ])
    return { ...ledgerSchema.parse(ledger.body), students: ledgerStudentsSchema.parse(page.body).rows }
  }
  const courseOf = async (login: string) =>
    courseSchema.parse((await orla.get(`/api/ledger/${idOf(login)}`).expect(200)).body)

  it('says what each can do and how sure that is, what each fault has shown, and what confidence was worth', async () => {
    const ledger = await read()
    const of = (login: string) => ledger.students.find((s) => s.id === idOf(login))!
    expect(of('tam')).toMatchObject({ attempts: 2 })
    expect(of('tam').skills['drops']!.level).toBeGreaterThan(of('idris').skills['drops']!.level)
    expect(of('maeve')).toMatchObject({ attempts: 0, mean: null })
    expect(of('maeve').skills['drops']).toMatchObject({ thin: true })
    expect(ledger.faults).toMatchObject([{ attempts: 3, found: 2 }])
    expect(readWords(ledger.faults[0]!.wrong!).map(tell)).toEqual(['L1 socket'])
    expect(ledger.reliability).toMatchObject([{ from: 80, count: 3 }])
    expect(ledger.reliability[0]!.right).toBeCloseTo(66.7, 1)
    const course = await courseOf('tam')
    expect(course).toMatchObject({ count: 2, after: null })
    expect(course.rows.every(({ right }) => right)).toBe(true)
  }, 60_000)

  it('opens the attempts behind a figure: those on a fault, those that were so sure, page by page', async () => {
    await read()
    const behind = async (query: Record<string, string | number>) =>
      attemptsSchema.parse((await orla.get('/api/ledger/attempts').query(query).expect(200)).body)
    const all = await behind({})
    expect(all.count).toBe(3)
    const { circuit, fault } = all.rows[0]!
    expect((await behind({ circuit, fault })).count).toBe(3)
    expect((await behind({ circuit: 'another', fault })).count).toBe(0)
    expect((await behind({ sure: 80 })).rows.map(({ sure }) => sure).toSorted()).toEqual([85, 90, 95])
    expect((await behind({ sure: 60 })).rows).toEqual([])
    expect(all.rows.find(({ right }) => !right)).toMatchObject({
      student: 'Idris Quill',
      wrong: expect.any(String) as string,
    })
    await orla.get('/api/ledger/attempts?sure=no').expect(422)
  })

  it('tells a student of their own mistakes in released reviews only, an instructor of everybody’s', async () => {
    await read()
    await school.database.query(
      `update attempt_results set verdicts = array['2:rules.unloaded.title', '3:rules.unloaded.title', '3:assessment.sound']
       where student_id = $1`,
      [idOf('tam')],
    )
    const mistakes = async (who: TestAgent) =>
      commonMistakesSchema.parse((await who.get('/api/mistakes').expect(200)).body)
    expect(await mistakes(tam)).toEqual([])
    expect(await mistakes(orla)).toContainEqual({ rule: 'unloaded', times: 4 })
    await school.database.query('update work_orders set released_at = now() where student_id = $1', [
      idOf('tam'),
    ])
    expect(await mistakes(tam)).toEqual([{ rule: 'unloaded', times: 4 }])
    expect(await mistakes(idris)).toEqual([])
    await school.visitor().get('/api/mistakes').expect(401)
  })

  it('gives marks to other systems as OneRoster’s results', async () => {
    const file = async (name: string) => {
      const { text, headers } = await orla.get(`/api/ledger/${name}.csv`).expect(200)
      expect(headers['content-disposition']).toContain(`${name}.csv`)
      return Papa.parse<Record<string, string>>(text.trim(), { header: true })
    }
    const [items, results] = [await file('lineItems'), await file('results')]
    // The tables’ fields as 1EdTech publishes them (OneRoster 1.1 CSV; from memory).
    expect(items.meta.fields!.join()).toBe(
      'sourcedId,status,dateLastModified,title,description,assignDate,dueDate,classSourcedId,categorySourcedId,gradingPeriodSourcedId,resultValueMin,resultValueMax',
    )
    expect(results.meta.fields!.join()).toBe(
      'sourcedId,status,dateLastModified,lineItemSourcedId,studentSourcedId,scoreStatus,score,scoreDate,comment',
    )
    expect(results.data).toHaveLength(3)
    for (const one of results.data) {
      expect(items.data.map(({ sourcedId }) => sourcedId)).toContain(one['lineItemSourcedId'])
      expect(Number(one['score'])).toBeGreaterThanOrEqual(0)
    }
    await tam.get('/api/ledger/results.csv').expect(403)
  })

  it('counts the instructor’s word where it stands in place of the judge’s, everywhere', async () => {
    const [order] = (await courseOf('idris')).rows
    const before = order!.total
    await orla
      .put(`/api/orders/${order!.id}/overrides`)
      .send({ aspect: 'conclusion', points: 9, note: 'Said the right thing aloud.' })
      .expect(200)
    const after = (await courseOf('idris')).rows[0]!.total
    expect(after).toBeGreaterThan(before)
    const mean = (await read()).students.find(({ id }) => id === idOf('idris'))!.mean
    expect(mean).toBeCloseTo(after, 6)
    const { rows } = marksSchema.parse((await orla.get('/api/ledger/marks').expect(200)).body)
    const row = rows.find(({ student }) => student === 'Idris Quill')!
    expect(row.mark).toBeCloseTo(after, 1)
    expect(row.points['conclusion']).toBe(9)
    expect(row.notes).toEqual(['conclusion 9: Said the right thing aloud.'])
    expect(row.verdicts.some((code) => /^3:/.test(code))).toBe(true)
    const results = (await orla.get('/api/ledger/results.csv').expect(200)).text
    expect(results).toContain(`,${row.mark},`)
    const marks = (await orla.get('/api/ledger/marks.csv').expect(200)).text.split('\r\n')
    expect(marks[0]).toContain('student,circuit,fault,finished')
    expect(marks.filter((line) => line.includes('Said the right thing aloud.'))).toHaveLength(1)
  })

  it('is asked for one class, and for one lab day', async () => {
    const { body: group } = await orla.post('/api/classes').send({ name: 'Evening', term: '' }).expect(201)
    const { id } = group as { id: string }
    await orla
      .post(`/api/classes/${id}/members`)
      .send({ student: idOf('idris') })
      .expect(204)
    const own = await read(`?class=${id}`)
    expect(own.students.map((s) => s.id)).toEqual([idOf('idris')])
    expect(own.faults).toMatchObject([{ attempts: 1, found: 0 }])
    const other = await read(`?day=${randomUUID()}`)
    expect(other).toMatchObject({ students: [], faults: [], reliability: [] })
    await orla.get('/api/ledger?class=evening').expect(422)
    await tam.get(`/api/ledger/marks?class=${id}`).expect(403)
    await orla.delete(`/api/classes/${id}`).expect(204)
  })

  it('gives all that is kept of one student, and forgets the name while the marks stay', async () => {
    const all = (await orla.get(`/api/ledger/${idOf('idris')}/export`).expect(200)).body as {
      person: { name: string }
      orders: { steps: unknown[] }[]
      signIns: unknown[]
    }
    expect(all.person.name).toBe('Idris Quill')
    expect(all.orders[0]!.steps).toHaveLength(3)
    expect(all.signIns.length).toBeGreaterThan(0)
    expect(JSON.stringify(all)).not.toContain('password')
    await orla.post(`/api/ledger/${idOf('idris')}/erased`).expect(204)
    await idris.get('/api/desk').expect(401)
    await school
      .visitor()
      .post('/api/session')
      .send({ login: 'idris', password: passwords.idris })
      .expect(401)
    const ledger = await read()
    expect(JSON.stringify(ledger)).not.toContain('Idris')
    expect(ledger.faults).toMatchObject([{ attempts: 3 }])
    expect(ledger.students.find(({ name }) => name === 'former student')).toMatchObject({ attempts: 1 })
    const left = await school.database.query('select 1 from sign_ins where login = $1 and outcome = $2', [
      'idris',
      'in',
    ])
    expect(left).toEqual([])
  }, 60_000)

  it('is no student’s', async () => {
    for (const path of ['', '/attempts', `/${idOf('tam')}`, `/${idOf('tam')}/export`])
      await tam.get(`/api/ledger${path}`).expect(403)
    await tam.post(`/api/ledger/${idOf('maeve')}/erased`).expect(403)
    await orla.post(`/api/ledger/${randomUUID()}/erased`).expect(404)
  })
})
