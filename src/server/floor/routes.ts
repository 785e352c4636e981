import { Router } from 'express'
import { z } from 'zod'
import { floorActSchema } from '../../contract'
import type { Database } from '../database'
import { act, toldOf, type Floor } from './floor'
import { loadOwn } from '../orders/desk'
import { scopeOf } from '../class/scope'
import type { Streams } from '../http/streams'
import { only, signedIn, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'

/** The workshop as it runs, and what is said to whoever is at work there. */
export function floorRoutes(db: Database, floor: Floor, streams: Streams): Router {
  const router = Router()
  router.get('/floor', only('instructor'), async (req, res) => {
    const day = z.uuid().optional().parse(req.query.day)
    res.json(await floor.now(scopeOf(req.query), day))
  })
  router.get('/floor/live', only('instructor'), async (req, res) => {
    await floor.watch(await streams.begin(req, res))
  })
  router.post('/orders/:id/acts', only('instructor'), async (req, res) => {
    await act(db, idOf(req.params.id), floorActSchema.parse(req.body), userOf(res))
    res.status(204).end()
  })
  router.get('/desk/:id/told', signedIn, async (req, res) => {
    res.json(await toldOf(db, await loadOwn(db, idOf(req.params.id), userOf(res))))
  })
  router.get('/desk/:id/live', signedIn, async (req, res) => {
    const id = idOf(req.params.id)
    await loadOwn(db, id, userOf(res))
    await floor.attend(id, await streams.begin(req, res))
  })
  return router
}
