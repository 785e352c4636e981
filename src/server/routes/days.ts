import { Router } from 'express'
import { z } from 'zod'
import { changedDaySchema, newDaySchema } from '../../contract'
import type { Database } from '../database'
import { addDay, changeDay, handOutRound, listDays, loadDay, ownRounds } from '../days'
import type { Workers } from '../workers/pool'
import { only, userOf } from '../accounts/routes'
import { idOf } from './circuits'

/** Days in the workshop. */
export function dayRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.get('/rounds', only('student'), async (_req, res) => {
    res.json(await ownRounds(db, userOf(res)))
  })
  router.use('/days', only('instructor'))
  router.get('/days', async (_req, res) => {
    res.json(await listDays(db))
  })
  router.post('/days', async (req, res) => {
    res.status(201).json({ id: await addDay(db, newDaySchema.parse(req.body)) })
  })
  router.get('/days/:id', async (req, res) => {
    res.json(await loadDay(db, idOf(req.params.id)))
  })
  router.put('/days/:id', async (req, res) => {
    res.json(await changeDay(db, idOf(req.params.id), changedDaySchema.parse(req.body)))
  })
  router.delete('/days/:id', async (req, res) => {
    const id = idOf(req.params.id)
    await loadDay(db, id)
    await db.query('delete from lab_days where id = $1', [id])
    res.status(204).end()
  })
  router.post('/days/:id/rounds/:round', async (req, res) => {
    const round = z.coerce.number().int().min(1).max(12).parse(req.params.round)
    res
      .status(201)
      .json({ count: await handOutRound(db, workers, idOf(req.params.id), round - 1, userOf(res)) })
  })
  return router
}
