import { Router } from 'express'
import { say } from '../../core/document'
import { askDrillSchema, drillAnswerSchema, newDrillSetSchema } from '../../contract'
import type { Database } from '../database'
import { limitRequests } from '../http/request-limits'
import { only, signedIn, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'
import { scopeOf } from '../class/scope'
import { expectStudent } from '../ledger/ledger'
import type { Workers } from '../workers/pool'
import { addSet, removeSet, setProgress } from './drill-sets'
import { answerItem, drillsOf, nextItem } from './drills'
import { heldByStudent, ideasOfAttempt, reteachOf } from './misbeliefs'

/** More questions than anybody can read. */
const mostAMinute = 40

/** Drills, and what is known of wrong ideas: each student's own, and for instructors everybody's. */
export function learningRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  const unhurried = limitRequests(db, {
    name: 'drills',
    most: mostAMinute,
    seconds: 60,
    by: (res) => userOf(res).id,
    why: say('school.tooFast'),
  })
  router.use('/drills', signedIn)
  router.get('/drills', async (_req, res) => {
    res.json(await drillsOf(db, userOf(res)))
  })
  router.get('/drills/sets', only('instructor'), async (_req, res) => {
    res.json(await setProgress(db))
  })
  router.post('/drills/sets', only('instructor'), async (req, res) => {
    res.status(201).json({ id: await addSet(db, newDrillSetSchema.parse(req.body), userOf(res)) })
  })
  router.delete('/drills/sets/:id', only('instructor'), async (req, res) => {
    await removeSet(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.post('/drills/next', unhurried, async (req, res) => {
    res.status(201).json(await nextItem(db, workers, userOf(res), askDrillSchema.parse(req.body)))
  })
  router.post('/drills/:id/answer', unhurried, async (req, res) => {
    res.json(await answerItem(db, idOf(req.params.id), userOf(res), drillAnswerSchema.parse(req.body)))
  })
  router.get('/ideas/mine', signedIn, async (_req, res) => {
    res.json((await heldByStudent(db, userOf(res).id, true)).filter(({ named }) => named))
  })
  router.get('/ideas/order/:id', signedIn, async (req, res) => {
    res.json(await ideasOfAttempt(db, idOf(req.params.id), userOf(res)))
  })
  router.get('/ideas/student/:id', only('instructor'), async (req, res) => {
    const id = idOf(req.params.id)
    await expectStudent(db, id)
    res.json(await heldByStudent(db, id))
  })
  router.get('/ideas/reteach', only('instructor'), async (req, res) => {
    res.json(await reteachOf(db, scopeOf(req.query)))
  })
  return router
}
