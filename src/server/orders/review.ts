import type { Review, User } from '../../contract'
import type { Database } from '../database'
import { keptJudgement } from '../judging'
import { waitingMark } from '../judging/rejudgements'
import { markedAnew } from '../judging/results'
import { loadSteps, type Order } from './orders'
import { loadOverrides } from './overrides'
import { loadReplies } from './replies'
import { knownDifficulty } from '../learning/computed'

/** What the record of an examination says beside the work itself. */
async function examRecord(db: Database, order: Order): Promise<Review['exam']> {
  if (order.exam === null) return null
  const [row] = await db.query<NonNullable<Review['exam']>>(
    `select e.name, e.room, o.station as seat, e.minutes, o.extra_minutes::float8 as extra, e.handbook,
       coalesce(r.engine, '') as engine, coalesce(r.rubric, '') as rubric
     from current_orders o join exams e on e.id = o.exam_id left join current_results r on r.work_order_id = o.id where o.id = $1`,
    [order.id],
  )
  if (!row) return null
  return { ...row, difficulty: (await knownDifficulty(db, order))?.difficulty ?? null }
}

/** The whole of a review: for the instructor at any time, for the student once it has been given back. */
export async function reviewOf(db: Database, order: Order, own = false): Promise<Review> {
  const steps = await loadSteps(db, order.id)
  const [student] = await db.query<User>('select id, login, name, role from users where id = $1', [
    order.studentId,
  ])
  const { id, circuit, planted, spares = [], frame, complaint, created, concluded, released, rubric } = order
  return {
    id,
    circuit,
    faults: [...planted],
    spares: [...spares],
    frame,
    complaint,
    created,
    concluded,
    released,
    student: student!,
    steps: [...steps],
    rubric,
    // What is not worked out yet is asked for by itself: the steps are there at once.
    judged: await keptJudgement(
      db,
      order,
      steps.map(({ step }) => step),
    ),
    // Why a mark was put in place of the judge’s is the instructor’s own note.
    // What a newer judge would say is the instructor's to decide.
    newerMark: own ? null : await waitingMark(db, id),
    markedAnew: await markedAnew(db, id),
    overrides: (await loadOverrides(db, id)).map((o) => (own ? { ...o, note: '' } : o)),
    replies: await loadReplies(db, id),
    exam: own ? null : await examRecord(db, order),
  }
}
