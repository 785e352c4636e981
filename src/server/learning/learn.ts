import type { Step } from '../../core/attempt'
import type { Database } from '../database'
import { prepared } from '../judging/prepared'
import { keepLearned } from '../judging/results'
import type { Order } from '../orders/orders'
import type { Stopping, Workers } from '../workers/pool'
import { computedDifficulty } from './computed'
import { keepIdeas } from './misbeliefs'

/** Takes down what a finished attempt says beside its mark: how hard its fault was made, and which wrong ideas it speaks for. */
export async function learnFrom(
  db: Database,
  workers: Workers,
  order: Order,
  steps: readonly Step[],
  stopping: Stopping,
): Promise<void> {
  const { circuit, planted, frame, spares, rubric } = order
  const task = { circuit, planted, frame, spares }
  await computedDifficulty(db, workers, task, rubric, stopping)
  const first = await prepared(db, workers, order, rubric, stopping)
  const ideas = await workers.ideas({ order: task, steps, rubric, prepared: first }, stopping)
  await db.transaction(async (tx) => {
    // Whoever tries an order out for themselves, being an instructor, is nobody's student.
    const [row] = await tx.query(`select 1 from users where id = $1 and role = 'student'`, [order.studentId])
    await keepIdeas(tx, { student: order.studentId, order: order.id }, row ? ideas : [])
    await keepLearned(tx, order.id)
  })
}
