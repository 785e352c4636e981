import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoText } from '../../test/demo'
import { startPostgres } from '../../test/postgres.mjs'
import { passwords, startSchool, type School } from '../../test/school'
import { judgedSchema } from '../core/assessment'
import { deskSchema, faultSetsSchema, reviewSchema, storedCircuitSchema } from '../contract'

/** Rows as the program wrote them before documents had versions: nothing here is made by today's code. */
const arrangement = { controls: { S1: 'closed' }, detached: [] }
const faults = [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }]
const rubric = {
  version: 1,
  weights: { prediction: 20, technique: 20, inference: 30, efficiency: 10, conclusion: 20 },
}
const plant = { faults, state: 'on', school: 'flat', complaint: 'The work lamp is dim.' }
const steps = [
  { type: 'operate', arrangement, seen: { L1: { key: 'dim', text: 'glows dimly' } } },
  {
    type: 'test',
    arrangement,
    function: 'volts',
    red: 'L1a',
    black: 'B1−',
    prediction: { type: 'value', value: 12.3 },
    reading: { function: 'volts', value: 12.46, unit: 'V', text: '12.46 V', beeps: false, live: false },
  },
  {
    type: 'infer',
    cleared: ['W1', 'F1', 'W2', 'S1', 'W3', 'X1', 'W4'],
    suspect: ['G1'],
    note: 'Feed is good.',
  },
  {
    type: 'test',
    arrangement,
    function: 'continuity',
    red: 'X2a',
    black: 'X2b',
    prediction: { type: 'beep' },
    reading: { function: 'continuity', unit: 'Ω', text: 'OL', beeps: false, live: true },
  },
  { type: 'infer', cleared: ['W1', 'F1', 'W2', 'S1', 'W3', 'X1', 'W4'], suspect: ['X2'], note: '' },
  { type: 'conclude', part: 'X2', kind: 'corroded', sure: 80, note: 'Green inside.' },
]

let postgres: ReturnType<typeof startPostgres> | undefined
beforeAll(() => {
  postgres = startPostgres()
}, 60_000)
afterAll(() => postgres?.stop())

describe.each(['embedded', 'server'])('rows of the first version, on a PostgreSQL that is %s', (kind) => {
  let school: School
  let circuit: string
  let concluded: string
  let open: string

  beforeAll(async () => {
    school = await startSchool(kind === 'server' ? { url: postgres!.url } : {})
    const db = school.database
    const [orla] = await db.query<{ id: string }>(`select id from users where login = 'orla'`)
    const [tam] = await db.query<{ id: string }>(`select id from users where login = 'tam'`)
    const document = demoText('sweeper-work-lamp')
    const [row] = await db.query<{ id: string }>(
      'insert into circuits (owner_id, document, plant) values ($1, $2, $3) returning id',
      [orla!.id, document, JSON.stringify(plant)],
    )
    circuit = row!.id
    await db.query('insert into fault_sets (circuit_id, name, plant) values ($1, $2, $3)', [
      circuit,
      'Green pin',
      JSON.stringify(plant),
    ])
    await db.query('insert into circuit_edits (circuit_id, position, edit, inverse) values ($1, 1, $2, $3)', [
      circuit,
      JSON.stringify({ type: 'setParameter', part: 'W3', name: 'length', value: 7 }),
      JSON.stringify({ type: 'setParameter', part: 'W3', name: 'length', value: 1.9 }),
    ])
    const order = async (list: readonly object[], ends: boolean) => {
      const [made] = await db.query<{ id: string }>(
        `insert into work_orders (circuit_id, student_id, instructor_id, complaint, document, faults, rubric, taken, concluded_at)
         values ($1, $2, $3, 'The work lamp is dim.', $4, $5, $6, $7, case when $8 then now() end) returning id`,
        [
          circuit,
          tam!.id,
          orla!.id,
          document,
          JSON.stringify(faults),
          JSON.stringify(rubric),
          list.length,
          ends,
        ],
      )
      for (const [position, body] of list.entries())
        await db.query('insert into steps (work_order_id, position, key, body) values ($1, $2, $3, $4)', [
          made!.id,
          position,
          randomUUID(),
          JSON.stringify(body),
        ])
      return made!.id
    }
    concluded = await order(steps, true)
    open = await order(steps.slice(0, 3), false)
  }, 60_000)
  afterAll(() => school.close())

  it('judge and review, the leads and pieces by their names of today', async () => {
    const orla = await school.signedIn('orla', passwords.orla)
    const review = reviewSchema.parse((await orla.get(`/api/orders/${concluded}/review`).expect(200)).body)
    expect(review.steps).toHaveLength(steps.length)
    expect(review.steps[1]!.step).toMatchObject({
      instrument: 'volts',
      held: { type: 'leads', red: 'L1a', black: 'B1−' },
      reading: { value: 12.46 },
    })
    expect(review.steps[3]!.step).toMatchObject({ reading: { signs: [{ code: 'instruments.live' }] } })
    expect(review.steps[5]!.step).toMatchObject({ piece: 'X2', sure: 80 })
    const judged = judgedSchema.parse((await orla.get(`/api/orders/${concluded}/judgement`).expect(200)).body)
    // Its rubric knew five aspects: they are its hundred still.
    expect(judged.of).toBe(100)
    expect(judged.judgements.some((j) => j.aspect === 'conclusion')).toBe(true)
  }, 60_000)

  it('open on the Desk, and the attempt goes on where it stood', async () => {
    const tam = await school.signedIn('tam', passwords.tam)
    const desk = deskSchema.parse((await tam.get(`/api/desk/${open}`).expect(200)).body)
    expect(desk.frame.bag).toEqual(['volts', 'ohms', 'continuity'])
    expect(desk.steps[2]).toMatchObject({
      type: 'infer',
      struck: expect.arrayContaining(['F1']),
      ringed: ['G1'],
    })
    const more = {
      type: 'test',
      arrangement,
      instrument: 'volts',
      settings: {},
      held: { type: 'leads', red: 'X2a', black: 'X2b' },
      prediction: { type: 'value', value: 0.01 },
    }
    const done = await tam
      .post(`/api/desk/${open}/steps`)
      .send({ key: randomUUID(), action: more })
      .expect(200)
    expect(done.body.step.reading.value).toBeGreaterThan(3)
  })

  it('open on the Bench with plant, fault sets and what can be undone', async () => {
    const orla = await school.signedIn('orla', passwords.orla)
    const stored = storedCircuitSchema.parse((await orla.get(`/api/circuits/${circuit}`).expect(200)).body)
    expect(stored.plant).toMatchObject({ faults, limits: 'flat', complaint: 'The work lamp is dim.' })
    expect(stored.undo).toBe(true)
    const undone = await orla
      .post(`/api/circuits/${circuit}/undo`)
      .send({ revision: stored.revision })
      .expect(200)
    expect(undone.body.circuit.parts.find((p: { id: string }) => p.id === 'W3').parameters.length).toBe(1.9)
    const sets = faultSetsSchema.parse(
      (await orla.get(`/api/circuits/${circuit}/fault-sets`).expect(200)).body,
    )
    expect(sets[0]!.plant.faults).toEqual(faults)
  })

  it('that are damaged are refused in words, and the rest of the school goes on', async () => {
    const db = school.database
    // One that nobody has opened yet: what was read of an order once is not read again.
    const [damaged] = await db.query<{ id: string }>(
      `insert into work_orders select (jsonb_populate_record(w, jsonb_build_object(
         'id', gen_random_uuid(), 'faults', '[{"kind":"gremlins"}]'::jsonb))).*
       from work_orders w where id = $1 returning id`,
      [concluded],
    )
    const orla = await school.signedIn('orla', passwords.orla)
    const answer = await orla.get(`/api/orders/${damaged!.id}/review`).expect(422)
    expect(answer.body.message.code).toBe('school.unreadable')
    expect(answer.body.problems[0].where).toContain('planted')
    await orla.get('/api/orders').expect(200)
  })
})
