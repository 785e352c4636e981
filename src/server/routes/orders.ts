import { Router } from 'express'
import { newOrderSchema, type Review, type User } from '../../contract'
import type { Database } from '../database'
import { addOrder, listOrders, loadOrder, loadSteps } from '../orders'
import type { JudgePool } from '../workers/pool'
import { only, userOf } from './account'
import { idOf } from './circuits'

/** Work orders as the instructor has them, with what was planted and the judged attempt. */
export function orderRoutes(db: Database, judges: JudgePool): Router {
  const router = Router()
  router.use('/orders', only('instructor'))
  router.get('/orders', async (_req, res) => {
    res.json(await listOrders(db))
  })
  router.post('/orders', async (req, res) => {
    res.status(201).json({ id: await addOrder(db, newOrderSchema.parse(req.body), userOf(res)) })
  })
  router.get('/orders/:id/review', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    const steps = await loadSteps(db, order.id)
    const [student] = await db.query<User>('select id, login, name, role from users where id = $1', [
      order.student_id,
    ])
    const judged = await judges.judge({
      circuit: order.document,
      faults: order.faults,
      steps: steps.map(({ step }) => step),
      rubric: order.rubric,
    })
    const { id, document: circuit, faults, complaint, created, concluded } = order
    res.json({
      id,
      circuit,
      faults,
      complaint,
      created,
      concluded,
      student: student!,
      steps,
      judged: {
        ...judged,
        judgements: [...judged.judgements],
        marks: [...judged.marks],
        suspects: judged.suspects.map((s) => [...s]),
        contradictions: [...judged.contradictions],
      },
    } satisfies Review)
  })
  return router
}
