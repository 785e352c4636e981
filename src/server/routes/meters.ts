import { Router } from 'express'
import { newMeterSchema, readMeterSchema } from '../../contract'
import type { Database } from '../database'
import { addMeter, listMeters, meterAddress, readAtStation, removeMeter } from '../meters/meters'
import { askName } from '../meters/read-meter'
import { only, userOf } from './account'
import { idOf } from './circuits'

/** Meters of the workshop: only an instructor sets them; a student reads the one at the station. */
export function meterRoutes(db: Database): Router {
  const router = Router()
  router.use('/meters', only('instructor'))
  router.get('/meters', async (_req, res) => {
    res.json(await listMeters(db))
  })
  router.post('/meters', async (req, res) => {
    res.status(201).json(await addMeter(db, newMeterSchema.parse(req.body)))
  })
  router.delete('/meters/:id', async (req, res) => {
    await removeMeter(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.post('/meters/:id/name', async (req, res) => {
    res.json(await askName(await meterAddress(db, idOf(req.params.id))))
  })
  router.post('/desk/:id/meter', async (req, res) => {
    res.json(await readAtStation(db, idOf(req.params.id), userOf(res), readMeterSchema.parse(req.body)))
  })
  return router
}
