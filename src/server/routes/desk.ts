import { Router } from 'express'
import { deskActionSchema } from '../../contract'
import type { Database } from '../database'
import { deskList, finish, loadDesk, loadReleased, takeStep } from '../desk'
import { judgementOf } from '../judging'
import { loadSteps } from '../orders'
import { reviewOf } from '../review'
import type { Workers } from '../workers/pool'
import { only, userOf } from './account'
import { idOf } from './circuits'
import { untilGone } from './until-gone'

/** The student's side. Nothing that leaves here may tell what was planted. */
export function deskRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.use('/desk', only('student'))
  router.get('/desk', async (_req, res) => {
    res.json(await deskList(db, userOf(res)))
  })
  router.get('/desk/:id', async (req, res) => {
    res.json(await loadDesk(db, idOf(req.params.id), userOf(res)))
  })
  router.post('/desk/:id/finish', async (req, res) => {
    const id = idOf(req.params.id)
    await finish(db, id, userOf(res))
    res.json(await loadDesk(db, id, userOf(res)))
  })
  // From here on only what the instructor has given back.
  router.get('/desk/:id/review', async (req, res) => {
    res.json(await reviewOf(db, await loadReleased(db, idOf(req.params.id), userOf(res))))
  })
  router.get('/desk/:id/judgement', async (req, res) => {
    const order = await loadReleased(db, idOf(req.params.id), userOf(res))
    const steps = (await loadSteps(db, order.id)).map(({ step }) => step)
    res.json(await judgementOf(db, workers, order, steps, untilGone(res)))
  })
  router.post('/desk/:id/steps', async (req, res) => {
    // A step that was sent is taken, though its sender may be gone: it may come again with the same key.
    const action = deskActionSchema.parse(req.body)
    res.json(await takeStep(db, workers, idOf(req.params.id), userOf(res), action))
  })
  return router
}
