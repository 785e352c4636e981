import { Router } from 'express'
import { deskActionSchema } from '../../contract'
import type { Database } from '../database'
import { deskList, loadDesk, takeStep } from '../orders'
import { only, userOf } from './account'
import { idOf } from './circuits'

/** The student's side. Nothing that leaves here may tell what was planted. */
export function deskRoutes(db: Database): Router {
  const router = Router()
  router.use('/desk', only('student'))
  router.get('/desk', async (_req, res) => {
    res.json(await deskList(db, userOf(res)))
  })
  router.get('/desk/:id', async (req, res) => {
    res.json(await loadDesk(db, idOf(req.params.id), userOf(res)))
  })
  router.post('/desk/:id/steps', async (req, res) => {
    res.json(await takeStep(db, idOf(req.params.id), userOf(res), deskActionSchema.parse(req.body)))
  })
  return router
}
