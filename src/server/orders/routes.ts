import { Router } from 'express'
import { z } from 'zod'
import {
  afterSchema,
  deskActionSchema,
  newOrderSchema,
  orderStates,
  overrideSchema,
  releaseAllSchema,
  releasedSchema,
  settleRejudgementSchema,
} from '../../contract'
import type { Database } from '../database'
import { finish, typeIn } from './desk'
import { judgementOf, type Judge } from '../judging'
import { settleRejudgement } from '../judging/rejudgements'
import { handOut, readyOrder } from './hand-out'
import { listOrders, releaseAll } from './order-lists'
import { loadOrder, loadSteps, release, removeOrder } from './orders'
import { loadOverrides, override } from './overrides'
import { reviewOf } from './review'
import { scopeOf } from '../class/scope'
import type { Workers } from '../workers/pool'
import { only, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'
import { untilGone } from '../http/until-gone'

/** Work orders as the instructor has them, with what was planted and the judged attempt. */
export function orderRoutes(db: Database, workers: Workers, judge: Judge): Router {
  const router = Router()
  router.use('/orders', only('instructor'))
  router.get('/orders', async (req, res) => {
    const state = z.enum(orderStates).default('open').parse(req.query.state)
    res.json(await listOrders(db, state, scopeOf(req.query), afterSchema.parse(req.query.after)))
  })
  router.post('/orders', async (req, res) => {
    const { students, key, ...order } = newOrderSchema.parse(req.body)
    const ready = await readyOrder(db, workers, order)
    const made = await handOut(db, workers, [{ order: ready, students }], userOf(res), { key })
    res.status(201).json({ id: made[0]!.id, count: made.length })
  })
  router.post('/orders/released', async (req, res) => {
    res.json(await releaseAll(db, releaseAllSchema.parse(req.body)))
  })
  router.post('/orders/:id/rejudged', async (req, res) => {
    const id = idOf(req.params.id)
    await settleRejudgement(db, id, settleRejudgementSchema.parse(req.body).taken)
    res.json(await reviewOf(db, await loadOrder(db, id)))
  })
  router.get('/orders/:id/review', async (req, res) => {
    res.json(await reviewOf(db, await loadOrder(db, idOf(req.params.id))))
  })
  router.put('/orders/:id/released', async (req, res) => {
    const id = idOf(req.params.id)
    await release(db, id, releasedSchema.parse(req.body).released)
    res.json(await reviewOf(db, await loadOrder(db, id)))
  })
  router.get('/orders/:id/judgement', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    const steps = (await loadSteps(db, order.id)).map(({ step }) => step)
    res.json(await judgementOf(db, workers, order, steps, untilGone(res)))
  })
  router.post('/orders/:id/steps', async (req, res) => {
    const id = idOf(req.params.id)
    res.json(await typeIn(db, workers, id, deskActionSchema.parse(req.body)))
    judge.follow(id)
  })
  router.post('/orders/:id/finish', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    await finish(db, order.id, { id: order.studentId })
    judge.finished(order.id)
    res.status(204).end()
  })
  router.delete('/orders/:id', async (req, res) => {
    await removeOrder(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.put('/orders/:id/overrides', async (req, res) => {
    const order = await loadOrder(db, idOf(req.params.id))
    await override(db, order.id, overrideSchema.parse(req.body), userOf(res))
    res.json(await loadOverrides(db, order.id))
  })
  return router
}
