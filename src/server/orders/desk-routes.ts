import { Router } from 'express'
import { say } from '../../core/document'
import { afterSchema, deskActionSchema, replySchema } from '../../contract'
import { another } from './another'
import type { Database } from '../database'
import { finish, loadDesk, loadPractice, loadReleased, takeStep } from './desk'
import { judgementOf, verdictsOf, type Judge } from '../judging'
import { deskList } from './order-lists'
import { loadSteps } from './orders'
import { loadReplies, reply } from './replies'
import { limitRequests } from '../http/request-limits'
import { reviewOf } from './review'
import type { Workers } from '../workers/pool'
import { signedIn, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'
import { untilGone } from '../http/until-gone'

/** More than anybody can measure: whoever tries them all out is held up. */
const mostStepsAMinute = 60

/** The student's side. Nothing that leaves here may tell what was planted. */
export function deskRoutes(db: Database, workers: Workers, judge: Judge): Router {
  const router = Router()
  // Each sees their own orders, whatever their role.
  router.use('/desk', signedIn)
  router.get('/desk', async (req, res) => {
    res.json(await deskList(db, userOf(res), afterSchema.parse(req.query.after)))
  })
  router.get('/desk/:id', async (req, res) => {
    res.json(await loadDesk(db, idOf(req.params.id), userOf(res)))
  })
  router.post('/desk/:id/finish', async (req, res) => {
    const id = idOf(req.params.id)
    await finish(db, id, userOf(res))
    judge.finished(id)
    res.json(await loadDesk(db, id, userOf(res)))
  })
  // From here on only what the instructor has given back.
  router.get('/desk/:id/review', async (req, res) => {
    res.json(await reviewOf(db, await loadReleased(db, idOf(req.params.id), userOf(res)), true))
  })
  router.get('/desk/:id/judgement', async (req, res) => {
    const order = await loadReleased(db, idOf(req.params.id), userOf(res))
    const steps = (await loadSteps(db, order.id)).map(({ step }) => step)
    res.json(await judgementOf(db, workers, order, steps, untilGone(res)))
  })
  // What a practice is told at once; a test is told nothing until its review is given back.
  router.get('/desk/:id/verdicts', async (req, res) => {
    const order = await loadPractice(db, idOf(req.params.id), userOf(res))
    const steps = (await loadSteps(db, order.id)).map(({ step }) => step)
    res.json(await verdictsOf(db, workers, order, steps, untilGone(res)))
  })
  router.put('/desk/:id/replies', async (req, res) => {
    const order = await loadReleased(db, idOf(req.params.id), userOf(res))
    await reply(db, order.id, replySchema.parse(req.body))
    res.json(await loadReplies(db, order.id))
  })
  router.post('/desk/:id/another', async (req, res) => {
    res.status(201).json(await another(db, workers, idOf(req.params.id), userOf(res)))
  })
  const unhurried = limitRequests(db, {
    name: 'steps',
    most: mostStepsAMinute,
    seconds: 60,
    by: (res) => userOf(res).id,
    why: say('school.tooFast'),
  })
  router.post('/desk/:id/steps', unhurried, async (req, res) => {
    // A step that was sent is taken, though its sender may be gone: it may come again with the same key.
    const action = deskActionSchema.parse(req.body)
    const id = idOf(req.params.id)
    res.json(await takeStep(db, workers, id, userOf(res), action))
    judge.follow(id)
  })
  return router
}
