import {
  defaultRubric,
  judgeAttempt,
  prepareJudging,
  rubricDoor,
  type JudgedAttempt,
} from '../src/core/assessment'
import {
  advance,
  complaintWords,
  draftComplaint,
  frameDoor,
  frameSchema,
  perform,
  plantedDoor,
  startBench,
  stepDoor,
  type Action,
  type Order,
  type Step,
} from '../src/core/attempt'
import { wireUp } from '../src/core/model'
import { Predictor } from '../src/core/diagnosis'
import { misbeliefs } from '../src/core/learning'
import { tell } from '../src/core/words'
import type { Database } from '../src/server/database'
import { demoLessons } from '../src/server/demo/demo'
import { engineDigest, rubricDigest, signOf } from '../src/server/judging/judgements'
import { resultOf } from '../src/server/judging/result'
import { markOf } from '../src/server/judging/results'
import { override } from '../src/server/orders/overrides'
import { Chance } from '../test/chance'

/** How much of a school there is to be. */
export interface Growth {
  readonly students: number
  readonly classes: number
  readonly attempts: number
  /** Steps of each attempt. */
  readonly steps: number
  /** Judged attempts that are made of each fault, and then given to many. */
  readonly each: number
  /** Lessons that are worked at, the first ones of the demo school; all unless given. */
  readonly lessons?: number
  readonly seed: number
}

const years = 5
const day = 86_400_000
const iso = (ms: number) => new Date(ms).toISOString()

/**
 * Grows a school with five years behind it in a database that has the demo school and no work: the same from the same seed,
 * but for the day on which it ends, which is today. Attempts are judged by the judge, `each` of every fault; these are then
 * handed to the school's students at times of their own.
 */
export async function grow(db: Database, growth: Growth, told: (what: string) => void): Promise<void> {
  const [there] = await db.query('select 1 from work_orders limit 1')
  if (there) throw new Error('There is work in this database already: grow an empty one.')
  const chance = new Chance(growth.seed)
  const made = templates(growth, chance, told)
  await keepTemplates(db, made)
  await fill(db, made, growth, chance, told)
  await db.query('drop table grown')
  // As a database does by itself sooner or later; the largest table would take longer than a statement may.
  for (const table of [
    'users',
    'lab_days',
    'work_orders',
    'judgements',
    'attempt_results',
    'misbelief_evidence',
  ])
    await db.query(`vacuum analyze ${table}`)
  await db.query('analyze steps')
}

/** One judged attempt that students of the school are given. */
interface Template {
  readonly lesson: number
  readonly order: Order
  readonly complaint: string
  readonly steps: readonly Step[]
  readonly bench: unknown
  readonly judged: JudgedAttempt
}

/** Measures at random points with now and then a look or a claim, and names a piece, mostly the right one. */
function work(
  order: Order,
  length: number,
  { next, pick, below }: Chance,
): { steps: Step[]; bench: unknown } {
  const { circuit, planted } = order
  const on = circuit.states.find(({ controls }) => Object.keys(controls).length > 0) ?? circuit.states[0]!
  const arrangement = { controls: on.controls, detached: [] }
  const points = wireUp(circuit)
    .points.filter((p) => !p.inside)
    .map((p) => p.name)
  const source = circuit.parts[0]!.id
  const steps: Step[] = []
  let bench = startBench(order)
  const act = (action: Action) => {
    const done = perform(
      order,
      bench,
      steps.map(({ type }) => type),
      action,
    )
    if (!done.ok) return
    steps.push(done.step)
    bench = advance(order, bench, done.step)
  }
  act({ type: 'operate', arrangement, says: 'asComplained' })
  while (steps.length < length - 1) {
    const before = steps.length
    act({
      type: 'test',
      arrangement,
      instrument: 'volts',
      settings: {},
      held: { type: 'leads', red: pick(points), black: next() < 0.7 ? `${source}-` : pick(points) },
      also: [],
      prediction: { type: 'value', value: next() < 0.6 ? 12 : 0.1 },
      source: 'model',
    } as Action)
    if (next() < 0.3)
      act({ type: 'infer', struck: next() < 0.5 ? [pick(circuit.parts).id] : [], ringed: [], note: '' })
    if (steps.length === before) break
  }
  const right = next() < 0.7
  const fault = planted[0]!
  act({
    type: 'conclude',
    piece: right ? `${fault.part}` : pick(circuit.parts).id,
    kind: fault.kind,
    sure: 10 * (4 + below(7)),
    note: '',
  } as Action)
  return { steps, bench }
}

function templates(
  { steps: length, each, lessons: most }: Growth,
  chance: Chance,
  told: (what: string) => void,
): Template[] {
  const made: Template[] = []
  const lessons = demoLessons().slice(0, most)
  lessons.forEach((lesson, l) => {
    for (const set of lesson.sets) {
      const { circuit } = lesson
      const facts = draftComplaint(circuit, set.faults)
      const words = complaintWords(circuit, facts)
      const frame = frameSchema.parse({ ...lesson.frame, complaint: facts })
      const order: Order = { circuit, planted: set.faults, frame }
      const predictor = new Predictor(circuit, undefined, set.faults, frame.faults)
      const prepared = prepareJudging(predictor, order)
      for (let n = 0; n < each; n++) {
        const { steps, bench } = work(order, length, chance)
        const judged = judgeAttempt(predictor, order, steps, defaultRubric, prepared)
        made.push({
          lesson: l,
          order,
          complaint: set.complaint || (words ? tell(words) : 'It does not work.'),
          steps,
          bench,
          judged,
        })
      }
    }
    told(`lesson ${l + 1} of ${lessons.length}: ${made.length} attempts judged`)
  })
  return made
}

async function keepTemplates(db: Database, made: readonly Template[]): Promise<void> {
  const lessons = await db.query<{ id: string }>('select id from lessons order by name')
  await db.query(`create table grown (n integer primary key, lesson uuid, circuit text, complaint text, document jsonb, faults jsonb,
    frame jsonb, rubric jsonb, steps jsonb, bench jsonb, judged jsonb, sign text, result jsonb)`)
  for (const [n, { lesson, order, complaint, steps, bench, judged }] of made.entries()) {
    const whole = { ...order, rubric: defaultRubric }
    await db.query('insert into grown values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)', [
      n,
      lessons[lesson]!.id,
      order.circuit.name,
      complaint,
      JSON.stringify(order.circuit),
      JSON.stringify(plantedDoor.write({ list: [...order.planted] })),
      JSON.stringify(frameDoor.write(order.frame)),
      JSON.stringify(rubricDoor.write(defaultRubric)),
      JSON.stringify(steps.map((step) => stepDoor.write(step))),
      JSON.stringify(bench),
      JSON.stringify(judged),
      signOf(whole, steps),
      JSON.stringify({ ...resultOf(order, steps, judged), mark: markOf(judged, []) }),
    ])
  }
}

const given =
  'Ada Ben Cleo Dov Elsa Finn Gita Hal Ines Jon Kaya Leo Mina Nils Oona Pia Quin Rhea Sol Tess Ugo Vera Wim Xena Yan Zoe'.split(
    ' ',
  )
const family =
  'Ashby Birch Calder Dunmore Eastlea Farrow Gorse Hollin Ivers Jessop Keld Larkin Marsh Nettle Orchard Pellow Quarrie Rudd Sedge Thorpe Underhill Vale Wickham Yarrow'.split(
    ' ',
  )

/** One attempt of one student, at its time. */
interface Given {
  readonly id: string
  readonly student: string
  readonly instructor: string
  readonly template: number
  readonly day: string
  readonly station: string
  readonly round: number
  readonly begun: number
  readonly done: number
  readonly released: number | null
}

async function fill(
  db: Database,
  made: readonly Template[],
  { students, classes, attempts }: Growth,
  { uuid, below }: Chance,
  told: (what: string) => void,
): Promise<void> {
  const now = Date.now()
  const instructors = Array.from({ length: 10 }, () => uuid())
  await db.query(
    `insert into users (id, login, name, role, password_hash) select id, login, name, 'instructor', 'none'
     from unnest($1::uuid[], $2::text[], $3::text[]) t (id, login, name)`,
    [
      instructors,
      instructors.map((_, i) => `teacher-${i}`),
      instructors.map((_, i) => `${given[i]!} ${family[i]!}`),
    ],
  )
  const [orla] = await db.query<{ id: string }>(`select id from users where login = 'orla'`)
  if (orla) instructors[0] = orla.id
  const people = Array.from({ length: students }, () => uuid())
  // Everybody signs in with the first demo student's password: one hash is enough.
  await db.query(
    `insert into users (id, login, name, role, password_hash) select id, login, name, 'student',
       (select password_hash from users where login = 'tam') from unnest($1::uuid[], $2::text[], $3::text[]) t (id, login, name)`,
    [
      people,
      people.map((_, i) => `grown-${i}`),
      people.map(
        (_, i) =>
          `${given[i % given.length]!} ${family[Math.floor(i / given.length) % family.length]!} ${1 + Math.floor(i / given.length / family.length)}`,
      ),
    ],
  )
  const size = Math.ceil(students / classes)
  const all: Given[] = []
  const days: { id: string; name: string; day: string; class: string; body: string }[] = []
  for (let c = 0; c < classes; c++) {
    const id = uuid()
    const own = people.slice(c * size, (c + 1) * size)
    // The classes of a year work side by side; those of the last one are still at it.
    const year = years - 1 - Math.floor((c * years) / classes)
    const end = now - year * 365 * day
    await db.query('insert into classes (id, name, term, created_at) values ($1, $2, $3, $4)', [
      id,
      `Group ${c + 1}`,
      String(new Date(end).getFullYear()),
      iso(end - 360 * day),
    ])
    await db.query(
      'insert into class_members (class_id, user_id) select $1, id from unnest($2::uuid[]) t (id)',
      [id, own],
    )
    const teacher = instructors[c % instructors.length]!
    await db.query('insert into class_instructors (class_id, user_id) values ($1, $2)', [id, teacher])
    const each = Math.round(attempts / students)
    const meetings = Math.max(1, Math.ceil(each / 2))
    for (let m = 0; m < meetings; m++) {
      // From nine in the morning on, a year long, the last one today or a few days ago.
      const at = Math.floor((end - ((meetings - 1 - m) * 350 * day) / meetings) / day) * day + 9 * 3_600_000
      const meeting = { id: uuid(), name: `Group ${c + 1}, ${m + 1}`, day: iso(at).slice(0, 10), class: id }
      const rounds = Math.min(2, each - 2 * m)
      days.push({
        ...meeting,
        body: JSON.stringify({
          start: '09:00',
          minutes: 60,
          rounds: 2,
          stands: own.map((_, i) => ({
            name: `Bench ${i + 1}`,
            real: false,
            lesson: null,
            set: 0,
            checked: [],
          })),
          groups: own.map((one) => [one]),
          seats: own.map((_, i) => [i, (i + 1) % own.length]),
          out: [0, 1],
        }),
      })
      for (let r = 0; r < rounds; r++)
        for (const [i, student] of own.entries()) {
          const begun = Math.min(at + r * 3_600_000, now - 7_200_000) + below(600_000)
          const done = begun + (900 + below(2400)) * 1000
          all.push({
            id: uuid(),
            student,
            instructor: teacher,
            template: below(made.length),
            day: meeting.id,
            station: `Bench ${i + 1}`,
            round: r + 1,
            begun,
            done,
            released: now - done < 5 * day ? null : done + day,
          })
        }
    }
  }
  for (let i = 0; i < days.length; i += 200) {
    const slice = days.slice(i, i + 200)
    await db.query(
      `insert into lab_days (id, name, day, class_id, body, word) select id, name, day::date, class, body::jsonb, 'amber-anvil-11'
       from unnest($1::uuid[], $2::text[], $3::text[], $4::uuid[], $5::text[]) t (id, name, day, class, body)`,
      [
        slice.map((d) => d.id),
        slice.map((d) => d.name),
        slice.map((d) => d.day),
        slice.map((d) => d.class),
        slice.map((d) => d.body),
      ],
    )
  }
  told(`${students} students, ${classes} classes, ${days.length} lab days`)
  all.sort((a, b) => a.begun - b.begun)
  const slice = 500
  for (let i = 0; i < all.length; i += slice) {
    await insertAttempts(db, all.slice(i, i + slice))
    if ((i / slice) % 20 === 19) told(`${i + slice} of ${all.length} attempts`)
  }
  const marked = all.filter((_, i) => i % 50 === 7)
  for (const { id, instructor } of marked)
    await override(db, id, { aspect: 'conclusion', points: 5, note: 'Said the right thing aloud.' }, {
      id: instructor,
    } as never)
  told(`${all.length} attempts, ${marked.length} marks by an instructor`)
}

const countOf = (what: string) =>
  `(select count(*) from jsonb_array_elements(t.steps) s where s->>'type' = '${what}')`

async function insertAttempts(db: Database, slice: readonly Given[]): Promise<void> {
  const columns = [
    slice.map((a) => a.id),
    slice.map((a) => a.student),
    slice.map((a) => a.instructor),
    slice.map((a) => a.template),
    slice.map((a) => a.day),
    slice.map((a) => a.station),
    slice.map((a) => a.round),
    slice.map((a) => iso(a.begun)),
    slice.map((a) => iso(a.done)),
    slice.map((a) => (a.released === null ? null : iso(a.released))),
  ]
  const from = `unnest($1::uuid[], $2::uuid[], $3::uuid[], $4::int[], $5::uuid[], $6::text[], $7::int[], $8::timestamptz[],
      $9::timestamptz[], $10::timestamptz[]) a (id, student, instructor, template, day, station, round, begun, done, released)
    join grown t on t.n = a.template`
  await db.query(
    `insert into work_orders (id, student_id, instructor_id, lesson_id, complaint, document, circuit, faults, frame, rubric, created_at,
       started_at, concluded_at, released_at, judged_at, lab_day_id, station, round, taken, bench, tests, hints)
     select a.id, a.student, a.instructor, t.lesson, t.complaint, t.document, t.circuit, t.faults, t.frame, t.rubric, a.begun, a.begun,
       a.done, a.released, a.done + interval '5 seconds', a.day, a.station, a.round, jsonb_array_length(t.steps), t.bench,
       ${countOf('test')}, ${countOf('hint')} from ${from}`,
    columns,
  )
  await db.query(
    `insert into steps (work_order_id, position, key, body, at)
     select a.id, s.nth - 1, gen_random_uuid(), s.body, a.begun + (a.done - a.begun) * (s.nth::float8 / jsonb_array_length(t.steps))
     from ${from}, jsonb_array_elements(t.steps) with ordinality s (body, nth)`,
    columns,
  )
  await db.query(
    `insert into judgements (work_order_id, sign, body, at) select a.id, t.sign, t.judged, a.done + interval '5 seconds' from ${from}`,
    columns,
  )
  await db.query(
    `insert into attempt_results (work_order_id, student_id, concluded_at, circuit, fault, found, tests, minutes, doubt, marks, total, most,
       uncapped, mark, evidence, verdicts, wrong, sure, engine, rubric, at)
     select a.id, a.student, a.done, t.circuit, t.result->>'fault', (t.result->>'found')::boolean, (t.result->>'tests')::int,
       (t.result->>'minutes')::float8, (t.result->>'doubt')::float8, t.judged->'marks', (t.judged->>'total')::float8,
       (t.judged->>'of')::float8, (t.judged->>'uncapped')::float8, (t.result->>'mark')::float8, t.result->'evidence',
       array(select jsonb_array_elements_text(t.result->'verdicts')), t.result->>'wrong', (t.result->>'sure')::int, $11, $12,
       a.done + interval '5 seconds'
     from ${from}`,
    [...columns, engineDigest, rubricDigest(defaultRubric)],
  )
  // Up to three wrong ideas for which an attempt had an occasion, one in five shown.
  await db.query(
    `insert into misbelief_evidence (student_id, source_id, order_id, misbelief, shown, occasions, weight, step, at)
     select student, id, id, idea, shown, 1, case shown when 1 then 2.77 else -1.56 end, case shown when 1 then 1 end, done
     from (select a.*, ($11::text[])[1 + abs(hashtext(a.id::text || nth)) % cardinality($11::text[])] as idea,
       (abs(hashtext(nth || a.id::text)) % 5 = 0)::int as shown from ${from}, generate_series(1, 3) nth) e
     on conflict do nothing`,
    [...columns, misbeliefs.map(({ key }) => key)],
  )
}
