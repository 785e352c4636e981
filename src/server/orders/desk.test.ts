import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { readyAgain } from './hand-out'
import { circuitListSchema, deskSchema, reviewSchema, verdictsSchema } from '../../contract'
import { judgedSchema } from '../../core/assessment'
import type { Frame } from '../../core/attempt'
import { faultOfKind } from '../../core/faults'
import { instrumentOf, instruments, settingsOf, type Held } from '../../core/instruments'

const planted = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 3.1415 }
const on = { controls: { S1: 'closed' }, detached: [] }

describe('a Desk', () => {
  let school: School
  let orla: TestAgent
  let students: Record<string, { id: string; agent: TestAgent }> = {}
  let circuit: string

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    const list = (await orla.get('/api/students')).body as { id: string; login: string }[]
    for (const login of ['tam', 'idris', 'maeve'] as const)
      students = {
        ...students,
        [login]: {
          id: list.find((s) => s.login === login)!.id,
          agent: await school.signedIn(login, passwords[login]),
        },
      }
    circuit = circuitListSchema
      .parse((await orla.get('/api/circuits')).body)
      .find((c) => c.name === 'Work lamp, street sweeper')!.id
  }, 60_000)
  afterAll(() => school.close())

  const handOut = async (frame: Partial<Frame>, who = 'tam') =>
    (
      await orla
        .post('/api/orders')
        .send({
          circuit,
          students: [students[who]!.id],
          complaint: 'The work lamp is dim.',
          faults: [planted],
          frame,
        })
        .expect(201)
    ).body.id as string
  const step = (id: string, action: object, who = 'tam') =>
    students[who]!.agent.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action })
  const leads = (red: string, black: string, more: object = {}) => ({
    type: 'test',
    arrangement: on,
    instrument: 'volts',
    settings: {},
    held: { type: 'leads', red, black },
    prediction: { type: 'value', value: 12.3 },
    ...more,
  })

  describe('of a practice', () => {
    it('tells each step what it was worth, out of the readings alone', async () => {
      const id = await handOut({ mode: 'practice' })
      await step(id, { type: 'operate', arrangement: on, says: 'asComplained' }).expect(200)
      await step(id, leads('B1+', 'B1-')).expect(200)
      // The battery’s volts clear nothing on the return side: striking the fault out is early, as any other piece there is.
      await step(id, { type: 'infer', struck: ['X2', 'W5'], ringed: [] }).expect(200)
      const told = await students.tam!.agent.get(`/api/desk/${id}/verdicts`).expect(200)
      const verdicts = verdictsSchema.parse(told.body)
      const codes = (piece: string) =>
        verdicts.filter((v) => v.pieces?.includes(piece)).map((v) => v.verdict.code)
      expect(codes('X2')).toHaveLength(1)
      expect(codes('X2')[0]).toMatch(/tooEarly|earlySlip/)
      expect(codes('W5').every((code) => /tooEarly|earlySlip/.test(code))).toBe(true)
      expect(verdicts.some((v) => v.aspect === 'prediction' && v.grade === 'good')).toBe(true)
      for (const secret of ['3.1415', 'struckOut', 'struckTheFault', 'Planted', 'truth'])
        expect(told.text).not.toContain(secret)
      // Nor does the conclusion: whether it is right is for the repair to show, and for the review to say.
      await step(id, { type: 'conclude', piece: 'X2', kind: 'highResistance', sure: 60 }).expect(200)
      const after = await students.tam!.agent.get(`/api/desk/${id}/verdicts`).expect(200)
      expect(after.text).not.toContain('conclusion')
    })

    it('gives hints at their price, and none where the order has none', async () => {
      const id = await handOut({ mode: 'practice', hints: { where: 1, side: 2, test: 4 } })
      await step(id, leads('B1+', 'B1-')).expect(200)
      await step(id, { type: 'infer', struck: ['B1'], ringed: [] }).expect(200)
      const said: string[] = []
      for (const level of ['where', 'side', 'test'])
        said.push((await step(id, { type: 'hint', level }).expect(200)).text)
      expect(said[0]).toContain('hintWhere')
      expect(said[1]).toContain('hintSide')
      expect(said[2]).toContain('hintTest')
      for (const one of said) expect(one).not.toMatch(/3\.1415|highResistance|severity/)
      const judged = judgedSchema.parse((await orla.get(`/api/orders/${id}/judgement`)).body)
      expect(judged.judgements.filter((j) => j.cost).map((j) => j.cost)).toEqual([1, 2, 4])
      const none = await handOut({ mode: 'practice' })
      await step(none, { type: 'hint', level: 'test' }).expect(409)
    })
  })

  it('of a test tells nothing on the way', async () => {
    const id = await handOut({})
    await step(id, leads('B1+', 'B1-')).expect(200)
    await students.tam!.agent.get(`/api/desk/${id}/verdicts`).expect(409)
    const other = await handOut({ mode: 'practice' })
    await students.idris!.agent.get(`/api/desk/${other}/verdicts`).expect(404)
  })

  describe('of a real board', () => {
    const typed = (value: number, text: string, more: object = {}) =>
      leads('B1+', 'B1-', {
        source: 'typed',
        reading: { value, unit: 'V', text, signs: [] },
        ...more,
      })

    it('asks about a slipped decimal before it is taken down, and says nothing of what the board shows', async () => {
      const id = await handOut({ source: 'typed' })
      const virtual = await step(await handOut({}), leads('B1+', 'B1-')).expect(200)
      const shown = virtual.body.step.reading.value as number
      const slipped = (shown / 10).toPrecision(4)
      const asked = await step(id, typed(Number(slipped), slipped)).expect(200)
      expect(asked.body).toMatchObject({
        question: {
          code: 'assessment.liveSize',
          params: { text: { params: { text: { shown: slipped } } } },
        },
      })
      // That it was asked is kept, though nothing of the reading is: nobody tries readings out without a trace.
      const desk = deskSchema.parse((await students.tam!.agent.get(`/api/desk/${id}`)).body)
      expect(desk.steps).toMatchObject([{ type: 'question', typed: slipped, about: asked.body.question }])
      const about = asked.body.question as object
      const right = typed(shown, shown.toPrecision(4), {
        asked: { about, first: slipped, answer: 'corrected' },
      })
      expect((await step(id, right).expect(200)).body.step.asked.first).toBe(slipped)
    })

    it('takes a reading that stands, and the judge leaves it out of the evidence', async () => {
      const id = await handOut({ source: 'typed' })
      const { question } = (await step(id, typed(3, '3')).expect(200)).body as { question: object }
      await step(id, typed(3, '3', { asked: { about: question, first: '3', answer: 'stands' } })).expect(200)
      const judged = judgedSchema.parse((await orla.get(`/api/orders/${id}/judgement`)).body)
      expect(judged.judgements.some((j) => j.aspect === 'reading')).toBe(true)
    })

    it('never shows the model’s own reading nor notices, and a virtual board takes none that are typed', async () => {
      const id = await handOut({ source: 'typed' })
      await step(id, leads('B1+', 'B1-')).expect(409)
      const seen = await step(id, { type: 'operate', arrangement: on, seen: { L1: 'dim' } }).expect(200)
      expect(seen.body.step.seen).toEqual({ L1: 'dim' })
      await step(id, { type: 'operate', arrangement: on, seen: { L1: 'purple' } }).expect(422)
      const bare = await step(id, { type: 'operate', arrangement: on }).expect(200)
      expect(bare.body.step.seen).toEqual({})
      await step(await handOut({}), typed(12.4, '12.4')).expect(409)
    })
  })

  it('keeps the time: after the limit nothing is measured, and what was found can still be said', async () => {
    const id = await handOut({ limit: 10 })
    const desk = deskSchema.parse((await students.tam!.agent.get(`/api/desk/${id}`)).body)
    expect(desk.left).toBeGreaterThan(595)
    expect(desk.left).toBeLessThanOrEqual(600)
    await step(id, leads('B1+', 'B1-')).expect(200)
    const back = (seconds: number) =>
      school.database.query(
        `update work_orders set started_at = now() - $2 * interval '1 second' where id = $1`,
        [id, seconds],
      )
    // What was on its way when the time was up still counts.
    await back(610)
    await step(id, leads('L1a', 'B1-')).expect(200)
    await back(640)
    await step(id, leads('L1b', 'B1-')).expect(409)
    await step(id, { type: 'conclude', piece: 'X2', kind: 'open', sure: 50 }).expect(200)
  })

  it('holds up whoever tries everything out, and takes nothing twice or away', async () => {
    const id = await handOut({}, 'idris')
    const answers = await Promise.all(
      Array.from({ length: 70 }, () => step(id, { type: 'operate', arrangement: on }, 'idris')),
    )
    const refused = answers.filter(({ status }) => status === 429)
    expect(refused.length).toBeGreaterThanOrEqual(9)
    expect(refused[0]!.text).toContain('tooFast')
    const desk = deskSchema.parse((await students.idris!.agent.get(`/api/desk/${id}`)).body)
    expect(desk.steps).toHaveLength(answers.filter(({ status }) => status === 200).length)
    // Another student is not held up for it.
    await step(await handOut({}), { type: 'operate', arrangement: on }).expect(200)
  })

  it('gives away nothing with any instrument, however it is held', async () => {
    const id = await handOut({ mode: 'practice', hints: { where: 1, side: 2, test: 4 } }, 'maeve')
    const part = { series: 'F1', inPlaceOf: 'F1', spots: 'F1', at: 'X1' }
    const said: string[] = []
    for (const { key } of instruments)
      for (const how of instrumentOf(key).holds) {
        const held: Held =
          how === 'leads'
            ? { type: 'leads', red: 'L1a', black: 'B1-' }
            : how === 'jaws'
              ? { type: 'jaws', round: ['W4'] }
              : how === 'posts'
                ? { type: 'posts' }
                : how === 'hand'
                  ? { type: 'hand', red: 'L1a', black: 'L1b' }
                  : { type: how, part: part[how] }
        const action = {
          ...leads('L1a', 'B1-'),
          instrument: key,
          settings: settingsOf(instrumentOf(key)),
          held,
        }
        said.push((await step(id, action, 'maeve')).text)
      }
    said.push((await students.maeve!.agent.get(`/api/desk/${id}/verdicts`)).text)
    for (const secret of ['3.1415', '"did"', '"faults":[', 'hypothes', '"suspects"', '"doubts"'])
      expect(said.join('\n')).not.toContain(secret)
    expect(said.filter((one) => one.includes('"reading"')).length).toBeGreaterThan(12)
  })

  it('answers without waiting for what is prepared of its faults: how long that takes tells nothing', async () => {
    const never = () => new Promise<never>(() => undefined)
    const held = [
      vi.spyOn(school.workers, 'prepare').mockImplementation(never),
      vi.spyOn(school.workers, 'makeReady').mockImplementation(never),
      vi.spyOn(school.workers, 'judge').mockImplementation(never),
    ]
    try {
      const other = { ...planted, severity: 2.7182 }
      const { body } = await orla
        .post('/api/orders')
        .send({ circuit, students: [students.tam!.id], complaint: 'The work lamp is dim.', faults: [other] })
        .expect(201)
      const { id } = body as { id: string }
      await students.tam!.agent.get(`/api/desk/${id}`).expect(200)
      await step(id, { type: 'operate', arrangement: on }).expect(200)
      await step(id, leads('X2a', 'X2b')).expect(200)
      await step(id, { type: 'conclude', piece: 'X2', kind: 'highResistance', sure: 90 }).expect(200)
      await step(id, { type: 'repair', piece: 'X2', by: 'replace' }).expect(200)
      await students.tam!.agent.post(`/api/desk/${id}/finish`).expect(200)
      expect(held[0]).toHaveBeenCalled()
    } finally {
      for (const one of held) one.mockRestore()
    }
  })

  it('is made ready again after a restart, each board once', async () => {
    const again = vi.spyOn(school.workers, 'makeReady').mockResolvedValue()
    try {
      for (const student of [students.tam!.id, students.idris!.id])
        await orla
          .post('/api/orders')
          .send({
            circuit,
            students: [student],
            complaint: 'The work lamp is dim.',
            faults: [{ ...planted, severity: 1.618 }],
          })
          .expect(201)
      await vi.waitFor(() => expect(again).toHaveBeenCalledTimes(2), 20_000)
      again.mockClear()
      const count = await readyAgain(school.database, school.workers)
      expect(count).toBeGreaterThan(0)
      expect(again).toHaveBeenCalledTimes(count)
      const same = again.mock.calls.filter(([{ order }]) => order.planted[0]?.severity === 1.618)
      expect(same).toHaveLength(1)
    } finally {
      again.mockRestore()
    }
  })

  describe('after its review was given back', () => {
    it('is answered verdict by verdict, and followed by another like it that is never the same', async () => {
      const id = await handOut({})
      await students.tam!.agent.post(`/api/desk/${id}/another`).expect(404)
      await step(id, { type: 'operate', arrangement: on }).expect(200)
      await step(id, leads('B1+', 'B1-')).expect(200)
      await step(id, { type: 'conclude', piece: 'X2', kind: 'open', sure: 50 }).expect(200)
      const answer = { step: 1, verdict: 'assessment.right', body: 'I had measured it this morning.' }
      await students.tam!.agent.put(`/api/desk/${id}/replies`).send(answer).expect(404)
      await students.tam!.agent.post(`/api/desk/${id}/finish`).expect(200)
      const { asOf } = (await orla.get('/api/orders?state=waiting').expect(200)).body as { asOf: string }
      expect((await orla.post('/api/orders/released').send({ asOf }).expect(200)).body).toMatchObject({
        count: expect.any(Number),
      })
      await students.tam!.agent.put(`/api/desk/${id}/replies`).send(answer).expect(200)
      await students
        .tam!.agent.put(`/api/desk/${id}/replies`)
        .send({ ...answer, body: 'x'.repeat(501) })
        .expect(422)
      await students.idris!.agent.put(`/api/desk/${id}/replies`).send(answer).expect(404)
      expect((await orla.get(`/api/orders/${id}/review`)).body.replies).toEqual([answer])
      const made = (await students.tam!.agent.post(`/api/desk/${id}/another`).expect(201)).body as {
        id: string
      }
      // Asked for twice, it is the one that is open.
      expect((await students.tam!.agent.post(`/api/desk/${id}/another`)).body).toEqual(made)
      const desk = await students.tam!.agent.get(`/api/desk/${made.id}`).expect(200)
      expect(desk.body.frame).toMatchObject({ mode: 'practice', source: 'model' })
      expect(desk.text).not.toMatch(/severity|"faults":\[/)
      const { faults, complaint } = reviewSchema.parse((await orla.get(`/api/orders/${made.id}/review`)).body)
      expect(faults).toHaveLength(1)
      expect(`${faults[0]!.part}.${faults[0]!.segment}`).not.toBe('X2.pin')
      expect(faultOfKind(faults[0]!.kind).family).toBe(faultOfKind('highResistance').family)
      expect(complaint).toMatch(/lamp/)
    }, 30_000)
  })

  it('on paper is typed in by the instructor, at real boards only, each step once', async () => {
    const id = await handOut({ source: 'typed' })
    const key = randomUUID()
    const action = leads('B1+', 'B1-', {
      source: 'typed',
      reading: { value: 12.6, unit: 'V', text: '12.6', signs: [] },
    })
    const send = (order: string) => orla.post(`/api/orders/${order}/steps`).send({ key, action })
    expect((await send(id).expect(200)).body).toEqual((await send(id).expect(200)).body)
    await students.tam!.agent.post(`/api/orders/${id}/steps`).send({ key, action }).expect(403)
    await send(await handOut({})).expect(409)
    expect(deskSchema.parse((await students.tam!.agent.get(`/api/desk/${id}`)).body).steps).toHaveLength(1)
  })
})
