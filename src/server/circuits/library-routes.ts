import { Router } from 'express'
import { z } from 'zod'
import { nameSchema, newFaultSetSchema, shelfSchema } from '../../contract'
import { loadCircuit, removeCircuit, shelve } from './circuits'
import type { Database } from '../database'
import * as library from './library'
import { only, userOf } from '../accounts/routes'
import { idOf } from './routes'

/** Templates, shelves, versions and fault sets: instructors only. */
export function libraryRoutes(db: Database): Router {
  const router = Router()
  router.use(['/circuits', '/templates'], only('instructor'))
  router.get('/templates', (_req, res) => void res.json(library.listTemplates()))
  router.post('/templates/:file', async (req, res) => {
    const id = await library.startFrom(db, z.string().parse(req.params.file), userOf(res).id)
    res.status(201).json(await loadCircuit(db, id))
  })
  router.post('/circuits/:id/copy', async (req, res) => {
    const id = await library.copyCircuit(db, idOf(req.params.id), userOf(res))
    res.status(201).json(await loadCircuit(db, id))
  })
  router.put('/circuits/:id/shelf', async (req, res) => {
    await shelve(db, idOf(req.params.id), shelfSchema.parse(req.body))
    res.status(204).end()
  })
  router.delete('/circuits/:id', async (req, res) => {
    await removeCircuit(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.get('/circuits/:id/history', async (req, res) => {
    res.json(await library.historyOf(db, idOf(req.params.id)))
  })
  router.get('/circuits/:id/versions', async (req, res) => {
    res.json(await library.listVersions(db, idOf(req.params.id)))
  })
  router.post('/circuits/:id/versions', async (req, res) => {
    await library.keepVersion(db, idOf(req.params.id), nameSchema.parse(req.body).name)
    res.status(204).end()
  })
  router.post('/circuits/:id/versions/:version', async (req, res) => {
    res.json(await library.takeUp(db, idOf(req.params.id), idOf(req.params.version)))
  })
  router.get('/circuits/:id/fault-sets', async (req, res) => {
    res.json(await library.listFaultSets(db, idOf(req.params.id)))
  })
  router.post('/circuits/:id/fault-sets', async (req, res) => {
    const { name, plant } = newFaultSetSchema.parse(req.body)
    await library.keepFaultSet(db, idOf(req.params.id), name, plant)
    res.status(204).end()
  })
  router.delete('/circuits/:id/fault-sets/:set', async (req, res) => {
    await library.removeFaultSet(db, idOf(req.params.id), idOf(req.params.set))
    res.status(204).end()
  })
  return router
}
