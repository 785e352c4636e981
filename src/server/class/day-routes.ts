import { Router } from 'express'
import { z } from 'zod'
import { afterSchema, changedDaySchema, dayOf, newDaySchema } from '../../contract'
import type { Database } from '../database'
import { addDay, changeDay, handOutRound, listDays, loadDay, nearDays, ownRounds, removeDay } from './days'
import type { Workers } from '../workers/pool'
import { only, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'

/** Days in the workshop. */
export function dayRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.get('/rounds', only('student'), async (_req, res) => {
    res.json(await ownRounds(db, userOf(res)))
  })
  router.use('/days', only('instructor'))
  router.get('/days', async (req, res) => {
    const find = z.string().max(80).default('').parse(req.query.find)
    res.json(await listDays(db, find, afterSchema.parse(req.query.after)))
  })
  router.get('/days/near', async (_req, res) => {
    res.json(await nearDays(db, dayOf(new Date())))
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
    await removeDay(db, idOf(req.params.id))
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
