import { Router } from 'express'
import { newOrderSchema, overrideSchema, type Review, type User } from '../../contract'
import type { Database } from '../database'
import {
  addOrder,
  judgementOf,
  keptJudgement,
  listOrders,
  loadOrder,
  loadOverrides,
  loadSteps,
  override,
} from '../orders'
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
    res.status(201).json({ id: await addOrder(db, workers, newOrderSchema.parse(req.body), userOf(res)) })
  })
  router.get('/orders/:id/review', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    const steps = await loadSteps(db, order.id)
    const [student] = await db.query<User>('select id, login, name, role from users where id = $1', [
      order.studentId,
    ])
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
      // What is not worked out yet is asked for by itself: the steps are there at once.
      judged: await keptJudgement(
        db,
        order,
        steps.map(({ step }) => step),
      ),
      overrides: await loadOverrides(db, id),
    } satisfies Review)
  })
  router.get('/orders/:id/judgement', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    const steps = (await loadSteps(db, order.id)).map(({ step }) => step)
    res.json(await judgementOf(db, workers, order, steps, untilGone(res)))
  })
  router.put('/orders/:id/overrides', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    await override(db, order.id, overrideSchema.parse(req.body), userOf(res))
    res.json(await loadOverrides(db, order.id))
  })
  return router
}
