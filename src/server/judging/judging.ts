import type { JudgedAttempt, Judgement, Rubric } from '../../core/assessment'
import type { HintLevel, Order as OrderOfCore, Step } from '../../core/attempt'
import type { Message } from '../../core/document'
import type { Database, Queries } from '../database'
import type { Order } from '../orders/orders'
import type { Stopping, Workers } from '../workers/pool'
import type { JudgeTask } from '../workers/tasks'
import { keepJudgement, keptJudgement, lastJudgement, signOf } from './judgements'
import { prepared } from './prepared'
import { resultOf } from './result'
import { engineOfBefore, keepResult } from './results'

/** Has the boards solved that judging the next steps asks for; nobody waits for it, and it may fail in peace. */
export async function makeReady(
  db: Queries,
  workers: Workers,
  order: OrderOfCore & { readonly rubric: Rubric },
): Promise<void> {
  const { circuit, planted, frame, rubric, spares } = order
  try {
    // The bench that everybody who begins stands at.
    await workers.start({ order: { circuit, planted, frame, spares } })
    const first = await prepared(db, workers, order, rubric)
    await workers.makeReady({ order: { circuit, planted, frame, spares }, prepared: first })
  } catch {
    // Whoever asks for a judgement will hear of it.
  }
}

/** Has the boards solved that judging the next step of work under way asks for; nobody waits for it, and it may fail in peace. */
export async function solveAhead(
  db: Queries,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping,
): Promise<void> {
  try {
    await workers.solveAhead(await taskOf(db, workers, order, steps, stopping), stopping)
  } catch {
    // The next step is judged all the same.
  }
}

/** The judgement of an attempt: as it was kept, or made now. */
export async function judgementOf(
  database: Database,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  const kept = await keptJudgement(database, order, steps)
  if (kept) return kept
  const judged = await judgeNow(database, workers, order, steps, stopping)
  await keepJudged(database, order, steps, judged)
  return judged
}

/** Judges an attempt by its own rubric; a thread that has followed it goes on from there. */
export async function judgeNow(
  db: Queries,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  return workers.judge(await taskOf(db, workers, order, steps, stopping), stopping)
}

/** An attempt as a thread is handed it, with what was prepared for its order. */
async function taskOf(
  db: Queries,
  workers: Workers,
  { id, circuit, planted, frame, rubric, spares }: Order,
  steps: readonly Step[],
  stopping: Stopping = {},
): Promise<JudgeTask> {
  const order = { circuit, planted, frame, spares }
  return { id, order, steps, rubric, prepared: await prepared(db, workers, order, rubric, stopping) }
}

/** Keeps a judgement; of finished work its result besides, in the same transaction. */
export async function keepJudged(
  database: Database,
  order: Order,
  steps: readonly Step[],
  judged: JudgedAttempt,
): Promise<void> {
  const sign = signOf(order, steps)
  if (order.concluded === null) await keepJudgement(database, order.id, sign, judged)
  else
    await database.transaction(async (tx) => {
      await keepJudgement(tx, order.id, sign, judged)
      await keepResult(tx, order, resultOf(order, steps, judged), judged)
    })
}

/** Makes a result of a judgement of before as it stands, whatever engine it is of; false where there is none. */
export async function keepAsGiven(
  database: Database,
  order: Order,
  steps: readonly Step[],
): Promise<boolean> {
  const given = await lastJudgement(database, order.id)
  if (!given) return false
  await database.transaction((tx) =>
    keepResult(tx, order, resultOf(order, steps, given), given, engineOfBefore),
  )
  return true
}

/** An attempt judged by a rubric that need not be its own; nothing is kept. */
export async function judgedBy(
  database: Database,
  workers: Workers,
  { circuit, planted, frame, spares }: OrderOfCore,
  steps: readonly Step[],
  rubric: Rubric,
  stopping: Stopping = {},
): Promise<JudgedAttempt> {
  const order = { circuit, planted, frame, spares }
  const first = await prepared(database, workers, order, rubric, stopping)
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
  return workers.verdicts(await taskOf(db, workers, order, steps, stopping), stopping)
}

/** A hint at the moment that the steps have led to. */
export async function hintOf(
  db: Queries,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  level: HintLevel,
): Promise<Message> {
  return workers.hint({ ...(await taskOf(db, workers, order, steps)), level })
}
