import { Router } from 'express'
import { newOrderSchema, type Review, type User } from '../../contract'
import type { Database } from '../database'
import { addOrder, judgementOf, listOrders, loadOrder, loadSteps } from '../orders'
import type { Workers } from '../workers/pool'
import { only, userOf } from './account'
import { idOf } from './circuits'
import { untilGone } from './until-gone'

/** Work orders as the instructor has them, with what was planted and the judged attempt. */
export function orderRoutes(db: Database, workers: Workers): Router {
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
      order.studentId,
    ])
    const judged = await judgementOf(
      db,
      workers,
      order,
      steps.map(({ step }) => step),
      untilGone(res),
    )
    const { id, circuit, planted, frame, complaint, created, concluded, rubric } = order
    res.json({
      id,
      circuit,
      faults: [...planted],
      frame,
      complaint,
      created,
      concluded,
      student: student!,
      steps,
      rubric,
      judged,
    } satisfies Review)
  })
  return router
}
