import { Router } from 'express'
import { deskActionSchema } from '../../contract'
import type { Database } from '../database'
import { deskList, loadDesk, takeStep } from '../orders'
import type { Workers } from '../workers/pool'
import { only, userOf } from './account'
import { idOf } from './circuits'

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
  router.post('/desk/:id/steps', async (req, res) => {
    // A step that was sent is taken, though its sender may be gone: it may come again with the same key.
    const action = deskActionSchema.parse(req.body)
    res.json(await takeStep(db, workers, idOf(req.params.id), userOf(res), action))
  })
  return router
}
