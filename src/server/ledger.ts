import { say, type Ledger, type MarkRow, type User } from '../contract'
import { givenTotal, type JudgedAttempt, type Mark } from '../core/assessment'
import { advance, startBench, type Step } from '../core/attempt'
import { findPieces, piecesOf, type Circuit } from '../core/circuit'
import { describeFault } from '../core/faults'
import { evidenceOf, levelsOf, nextOf, reliability, type Evidence } from '../core/lab'
import type { Database } from './database'
import { judgementOf } from './judging'
import { iso, loadOrder, loadSteps, type Order } from './orders'
import type { Override } from './overrides'
import { Refusal } from './refusal'
import { endSessions } from './accounts/sessions'
import { forgetSignIns } from './accounts/users'
import type { Workers } from './workers/pool'

/** One finished attempt with all that reports ask of it. */
interface Done {
  readonly order: Order
  readonly steps: readonly Step[]
  readonly judged: JudgedAttempt
  readonly name: string
  readonly age: number
  readonly fault: string
  readonly right: boolean
  readonly tests: number
  readonly minutes: number
  /** The mark that counts, of 100: with what the instructor put in place of the judge's points. */
  readonly mark: number
  readonly overrides: readonly Override[]
}

/** Whose work, and on which day; everybody's where nothing is said. */
export interface Scope {
  readonly class?: string | undefined
  readonly day?: string | undefined
}

/** Finished attempts that are looked at, the newest first. */
const mostAttempts = 2000

/** Read once: what is finished does not change, but for a judgement of a newer engine. */
const kept = new Map<string, Omit<Done, 'mark' | 'overrides'>>()

async function finished(db: Database, workers: Workers, scope: Scope = {}): Promise<Done[]> {
  const rows = await db.query<{ id: string; name: string; age: number }>(
    `select o.id, u.name, extract(epoch from now() - o.concluded_at)::float8 / 86400 as age
     from work_orders o join users u on u.id = o.student_id
     where o.concluded_at is not null and u.role = 'student' and ($2::uuid is null or o.lab_day_id = $2)
       and ($1::uuid is null or exists (select 1 from class_members m where m.class_id = $1 and m.user_id = u.id))
     order by o.concluded_at desc limit ${mostAttempts}`,
    [scope.class ?? null, scope.day ?? null],
  )
  const put = new Map<string, Override[]>()
  for (const { order, ...own } of await db.query<Override & { order: string }>(
    'select work_order_id as order, aspect, points, note from overrides where work_order_id = any($1::uuid[])',
    [rows.map(({ id }) => id)],
  ))
    put.set(order, [...(put.get(order) ?? []), own])
  const all: Done[] = []
  for (const { id, name, age } of rows) {
    let done = kept.get(id)
    if (!done) {
      const made = await readDone(db, workers, id, name, age).catch(() => undefined)
      // One that cannot be read keeps nobody from the rest.
      if (!made) continue
      kept.set(id, (done = made))
    }
    const overrides = put.get(id) ?? []
    const mark = (100 * givenTotal(done.judged, overrides)) / Math.max(1, done.judged.of)
    all.push({ ...done, name, age, overrides, mark })
  }
  return all
}

async function readDone(
  db: Database,
  workers: Workers,
  id: string,
  name: string,
  age: number,
): Promise<Omit<Done, 'mark' | 'overrides'>> {
  const order = await loadOrder(db, id)
  const steps = (await loadSteps(db, id)).map(({ step }) => step)
  const judged = await judgementOf(db, workers, order, steps)
  const { circuit, planted } = order
  const guilty = new Set(
    planted.flatMap((f) => findPieces(circuit, `${f.part}.${f.segment}`).map((piece) => piece.id)),
  )
  const concluded = steps.filter((s) => s.type === 'conclude')
  return {
    order,
    steps,
    judged,
    name,
    age,
    fault: planted.map((f) => describeFault(circuit, f)).join('; '),
    right: concluded.some((s) => guilty.has(s.piece)),
    tests: steps.filter((s) => s.type === 'test').length,
    minutes: steps.reduce((bench, step) => advance(order, bench, step), startBench(order)).minutes,
  }
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** A piece as a person names it: `L1 socket`, or the part's short name where it is the whole of it. */
function named(circuit: Circuit, id: string | undefined): string | null {
  const piece = piecesOf(circuit).find((one) => one.id === id)
  return piece && piece.id !== piece.part ? `${piece.part} ${piece.unit.name}` : (id ?? null)
}

const evidenceFrom = (done: readonly Done[]): Evidence[] =>
  done.flatMap(({ order, judged, age }) => evidenceOf(order.circuit, order.planted, judged, age))

/** The school's records: what each student can do, what each fault has shown, and what confidence is worth. */
export async function ledgerOf(db: Database, workers: Workers, scope: Scope = {}): Promise<Ledger> {
  const all = await finished(db, workers, scope)
  const people = await db.query<{ id: string; name: string }>(
    `select id, name from users u where role = 'student'
       and ($1::uuid is null or exists (select 1 from class_members m where m.class_id = $1 and m.user_id = u.id))
       and ($2::uuid is null or exists (select 1 from work_orders o where o.lab_day_id = $2 and o.student_id = u.id))
     order by name`,
    [scope.class ?? null, scope.day ?? null],
  )
  const students = people.map(({ id, name }) => {
    const own = all.filter(({ order }) => order.studentId === id)
    const levels = levelsOf(evidenceFrom(own))
    return {
      id,
      name,
      attempts: own.length,
      mean: own.length ? own.reduce((sum, { mark }) => sum + mark, 0) / own.length : null,
      skills: levels,
      next: nextOf(levels).slice(0, 3),
    }
  })
  const byFault = new Map<string, Done[]>()
  for (const done of all) {
    const key = `${done.order.circuit.name} ${done.fault}`
    byFault.set(key, [...(byFault.get(key) ?? []), done])
  }
  const faults = [...byFault.values()].map((own) => {
    const wrong = new Map<string, number>()
    for (const { right, steps } of own)
      if (!right)
        for (const s of steps) if (s.type === 'conclude') wrong.set(s.piece, (wrong.get(s.piece) ?? 0) + 1)
    return {
      circuit: own[0]!.order.circuit.name,
      fault: own[0]!.fault,
      attempts: own.length,
      found: own.filter(({ right }) => right).length,
      tests: median(own.map(({ tests }) => tests)),
      minutes: median(own.map(({ minutes }) => minutes)),
      wrong: named(own[0]!.order.circuit, [...wrong].sort((p, q) => q[1] - p[1])[0]?.[0]),
    }
  })
  const said = all.flatMap(({ steps, right }) =>
    steps.flatMap((s) => (s.type === 'conclude' ? [{ sure: s.sure, right }] : [])),
  )
  return {
    students,
    faults: faults.sort((p, q) => q.attempts - p.attempts),
    reliability: reliability(said),
  }
}

export async function courseOf(db: Database, workers: Workers, student: string) {
  const all = (await finished(db, workers)).filter(({ order }) => order.studentId === student)
  return all.map(({ order, mark, fault, right, tests }) => ({
    id: order.id,
    at: order.concluded!,
    circuit: order.circuit.name,
    fault,
    total: mark,
    right,
    tests,
  }))
}

/** One row for each finished order: points of each aspect, the mark that counts, and the codes of what was said. */
export async function marksOfScope(db: Database, workers: Workers, scope: Scope): Promise<MarkRow[]> {
  const all = await finished(db, workers, scope)
  return all.map(({ order, name, judged, mark, right, tests, minutes, fault, overrides }) => ({
    student: name,
    circuit: order.circuit.name,
    fault,
    finished: order.concluded!,
    found: right,
    readings: tests,
    minutes,
    points: Object.fromEntries(
      judged.marks.map(({ aspect, points }) => [
        aspect,
        overrides.find((o) => o.aspect === aspect)?.points ?? points,
      ]),
    ),
    mark: Math.round(10 * mark) / 10,
    verdicts: judged.judgements.map(
      ({ step, verdict, reason }) => `${step + 1}:${verdict.code || reason.code}`,
    ),
    notes: overrides.map(({ aspect, points, note }) => `${aspect} ${points}: ${note}`),
  }))
}

/**
 * Marks as OneRoster's lineItems and results (1EdTech OneRoster 1.1 CSV, fields from memory): a line item for each lesson, or
 * circuit where there was no lesson, in each class; a result for each finished order. People and classes that another
 * system has named keep its names.
 */
export async function resultsOf(db: Database): Promise<{ lineItems: object[]; results: object[] }> {
  const rows = await db.query<{
    order: string
    item: string
    title: string
    student: string
    class: string
    at: string
    assigned: string
    judged: { marks: Mark[]; total: number; of: number; uncapped?: number }
    overrides: Override[]
  }>(
    `select o.id as order, coalesce(o.lesson_id::text, md5(o.document->>'name')) as item,
       coalesce(l.name, o.document->>'name') as title, coalesce(u.sourced, u.id::text) as student,
       coalesce((select coalesce(c.sourced, c.id::text) from class_members m join classes c on c.id = m.class_id
          where m.user_id = u.id order by c.created_at desc limit 1), '') as class,
       ${iso('o.concluded_at')} as at, ${iso('o.created_at')} as assigned,
       j.body as judged,
       (select coalesce(json_agg(json_build_object('aspect', v.aspect, 'points', v.points)), '[]')
          from overrides v where v.work_order_id = o.id) as overrides
     from work_orders o join users u on u.id = o.student_id join judgements j on j.work_order_id = o.id
       left join lessons l on l.id = o.lesson_id
     where o.concluded_at is not null and u.role = 'student' order by o.concluded_at limit 20000`,
  )
  const items = new Map<string, object>()
  for (const { item, title, class: group, assigned } of rows) {
    const id = `${item}-${group}`
    if (!items.has(id))
      items.set(id, {
        sourcedId: id,
        status: 'active',
        dateLastModified: assigned,
        title,
        description: '',
        assignDate: assigned.slice(0, 10),
        dueDate: assigned.slice(0, 10),
        classSourcedId: group,
        categorySourcedId: 'brachyon',
        gradingPeriodSourcedId: '',
        resultValueMin: 0,
        resultValueMax: 100,
      })
  }
  return {
    lineItems: [...items.values()],
    results: rows.map((row) => ({
      sourcedId: row.order,
      status: 'active',
      dateLastModified: row.at,
      lineItemSourcedId: `${row.item}-${row.class}`,
      studentSourcedId: row.student,
      scoreStatus: 'fully graded',
      score: Math.round((1000 * givenTotal(row.judged, row.overrides)) / Math.max(1, row.judged.of)) / 10,
      scoreDate: row.at.slice(0, 10),
      comment: '',
    })),
  }
}

/** What a student is owed: everything the school has of them, as one document. */
export async function exportOf(db: Database, student: string): Promise<object> {
  const [person] = await db.query<User>('select id, login, name, role from users where id = $1', [student])
  if (!person) throw new Refusal(404, say('noPerson'))
  const orders = await db.query<{ id: string }>(
    `select o.id, o.document->>'name' as circuit, o.complaint, ${iso('o.created_at')} as created,
       ${iso('o.concluded_at')} as concluded, o.station, o.round, j.body->'total' as total,
       (select coalesce(json_agg(s.body order by s.position), '[]') from steps s where s.work_order_id = o.id) as steps,
       (select coalesce(json_agg(json_build_object('aspect', v.aspect, 'points', v.points, 'note', v.note)), '[]')
          from overrides v where v.work_order_id = o.id) as overrides,
       (select coalesce(json_agg(json_build_object('at', ${iso('r.at')}, 'verdict', r.verdict, 'body', r.body)), '[]')
          from replies r where r.work_order_id = o.id) as replies
     from work_orders o left join judgements j on j.work_order_id = o.id where o.student_id = $1 order by o.created_at`,
    [student],
  )
  // Work that is too old lies in the bin for a while before it is erased.
  const binned = await db.query(
    `select ${iso('b.at')} as since, o->'document'->>'name' as circuit, o->>'complaint' as complaint,
       o->>'created_at' as created, o->>'concluded_at' as concluded, b.rows->'judgements'->0->'body'->'total' as total,
       (select coalesce(json_agg(s->'body' order by (s->>'position')::int), '[]')
          from jsonb_array_elements(b.rows->'steps') s) as steps, b.rows->'overrides' as overrides, b.rows->'replies' as replies
     from bin b, jsonb_array_elements(b.rows->'work_orders') o where b.student_id = $1 order by o->>'created_at'`,
    [student],
  )
  const signIns = await db.query(
    `select ${iso('at')} as at, address, outcome from sign_ins where login = $1 order by id`,
    [person.login],
  )
  return { format: 'brachyon-student', version: 1, person, orders, binned, signIns }
}

/** The marks stay, whose they were is forgotten. */
export async function eraseName(db: Database, student: string): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx.query<{ login: string }>(
      `select login from users where id = $1 and role = 'student'`,
      [student],
    )
    if (!row) throw new Refusal(404, say('noPerson'))
    await endSessions(tx, student)
    await forgetSignIns(tx, row.login)
    for (const table of ['class_members', 'devices', 'identities', 'bench_claims'])
      await tx.query(`delete from ${table} where user_id = $1`, [student])
    await tx.query('delete from bin where student_id = $1', [student])
    await tx.query(
      'delete from acts where work_order_id in (select id from work_orders where student_id = $1)',
      [student],
    )
    await tx.query(
      'delete from replies where work_order_id in (select id from work_orders where student_id = $1)',
      [student],
    )
    await tx.query(
      `update users set login = 'former-' || id, name = 'former student', password_hash = '', bench_code_hash = null,
         sourced = null where id = $1`,
      [student],
    )
  })
}
