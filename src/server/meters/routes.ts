import { Router } from 'express'
import { newMeterSchema, readMeterSchema } from '../../contract'
import type { Database } from '../database'
import type { MeterPlaces } from './addresses'
import { addMeter, listMeters, nameOfMeter, readAtStation, removeMeter } from './meters'
import { only, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'

/** Meters of the workshop: only an instructor sets them; a student reads the one at the station. */
export function meterRoutes(db: Database, places: MeterPlaces): Router {
  const router = Router()
  router.use('/meters', only('instructor'))
  router.get('/meters', async (_req, res) => {
    res.json(await listMeters(db))
  })
  router.post('/meters', async (req, res) => {
    res.status(201).json(await addMeter(db, newMeterSchema.parse(req.body), places))
  })
  router.delete('/meters/:id', async (req, res) => {
    await removeMeter(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.post('/meters/:id/name', async (req, res) => {
    res.json(await nameOfMeter(db, idOf(req.params.id), places))
  })
  router.post('/desk/:id/meter', async (req, res) => {
    const held = readMeterSchema.parse(req.body)
    res.json(await readAtStation(db, idOf(req.params.id), userOf(res), held, places))
  })
  return router
}
