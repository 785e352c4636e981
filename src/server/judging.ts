import { createHash } from 'node:crypto'
import {
  engineVersion,
  judgedSchema,
  type JudgedAttempt,
  type Judgement,
  type Prepared,
  type Rubric,
} from '../core/assessment'
import type { HintLevel, Order as OrderOfCore, Step } from '../core/attempt'
import type { Message } from '../core/document'
import type { Circuit } from '../core/circuit'
import type { Database, Queries } from './database'
import { Newest } from './newest'
import type { Order } from './orders'
import type { Stopping, Workers } from './workers/pool'

/** Has the boards solved that judging the next steps asks for; nobody waits for it, and it may fail in peace. */
export async function makeReady(db: Queries, workers: Workers, order: OrderOfCore): Promise<void> {
  const { circuit, planted, frame } = order
  try {
    const first = await prepared(db, workers, order)
    await workers.makeReady({ order: { circuit, planted, frame }, prepared: first })
  } catch {
    // Whoever asks for a judgement will hear of it.
  }
}

const signs = new WeakMap<Circuit, string>()
function signOfCircuit(circuit: Circuit): string {
  const known = signs.get(circuit)
  if (known) return known
  const sign = createHash('sha256').update(JSON.stringify(circuit)).digest('hex')
  signs.set(circuit, sign)
  return sign
}
/** What a class works at in one lesson, a few times over; each database has its own. */
const kept = new WeakMap<Queries, Newest<Prepared>>()
function beliefsOf(db: Queries): Newest<Prepared> {
  const known = kept.get(db) ?? new Newest<Prepared>(60)
  kept.set(db, known)
  return known
}

/** What is believed after the complaint, as it was kept, or worked out and kept now. */
export async function prepared(
  db: Queries,
  workers: Workers,
  { circuit, planted, frame }: OrderOfCore,
  stopping: Stopping = {},
): Promise<Prepared> {
  const hash = createHash('sha256')
    .update(signOfCircuit(circuit))
    .update(JSON.stringify([engineVersion, planted, frame.meter, frame.faults, frame.complaint, frame.bag]))
    .digest('hex')
  const beliefs = beliefsOf(db)
  const known = beliefs.get(hash)
  if (known) return known
  const [kept] = await db.query<{ body: Prepared }>('select body from prepared where hash = $1', [hash])
  if (kept) {
    beliefs.set(hash, kept.body)
    return kept.body
  }
  const made = await workers.prepare({ order: { circuit, planted, frame } }, stopping)
  await db.query('insert into prepared (hash, body) values ($1, $2) on conflict (hash) do nothing', [
    hash,
    JSON.stringify(made),
  ])
  beliefs.set(hash, made)
  return made
}

const signOf = (order: Order, steps: readonly Step[]): string =>
  createHash('sha256')
    .update(JSON.stringify([engineVersion, order.rubric, steps]))
    .digest('hex')

/** The judgement of an attempt as it was kept; null where steps, rubric or engine have changed since. */
export async function keptJudgement(
  db: Queries,
  order: Order,
  steps: readonly Step[],
): Promise<JudgedAttempt | null> {
  const [kept] = await db.query<{ body: unknown }>(
    'select body from judgements where work_order_id = $1 and sign = $2',
    [order.id, signOf(order, steps)],
  )
  const read = kept && judgedSchema.safeParse(kept.body)
  return read?.success ? read.data : null
}

/** The judgement of an attempt: as it was kept, or made anew. */
export async function judgementOf(
  database: Database,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  const kept = await keptJudgement(database, order, steps)
  if (kept) return kept
  const judged = await judgedBy(database, workers, order, steps, order.rubric, stopping)
  await database.query(
    `insert into judgements (work_order_id, sign, body) values ($1, $2, $3)
     on conflict (work_order_id) do update set sign = excluded.sign, body = excluded.body, at = now()`,
    [order.id, signOf(order, steps), JSON.stringify(judged)],
  )
  return judged
}

/** An attempt judged by a rubric that need not be its own; nothing is kept. */
export async function judgedBy(
  database: Database,
  workers: Workers,
  { circuit, planted, frame }: OrderOfCore,
  steps: readonly Step[],
  rubric: Rubric,
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  const order = { circuit, planted, frame }
  const first = await prepared(database, workers, order, stopping)
  return workers.judge({ order, steps, rubric, prepared: first }, stopping)
}

/** What the steps of a practice are told at once: out of the readings alone. */
export async function verdictsOf(
  db: Queries,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping = {},
): Promise<readonly Judgement[]> {
  const { circuit, planted, frame, rubric } = order
  const first = await prepared(db, workers, order, stopping)
  return workers.verdicts({ order: { circuit, planted, frame }, steps, rubric, prepared: first }, stopping)
}

/** A hint at the moment that the steps have led to. */
export async function hintOf(
  db: Queries,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  level: HintLevel,
): Promise<Message> {
  const { circuit, planted, frame, rubric } = order
  const first = await prepared(db, workers, order)
  return workers.hint({ order: { circuit, planted, frame }, steps, rubric, prepared: first, level })
}
