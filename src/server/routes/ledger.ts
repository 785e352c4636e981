import { Router } from 'express'
import type { Database } from '../database'
import { courseOf, eraseName, exportOf, ledgerOf, resultsOf } from '../ledger'
import type { Workers } from '../workers/pool'
import { only } from './account'
import { idOf } from './circuits'

/** The school's records. */
export function ledgerRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.use('/ledger', only('instructor'))
  router.get('/ledger', async (_req, res) => {
    res.json(await ledgerOf(db, workers))
  })
  router.get('/ledger/results', async (_req, res) => {
    res.json(await resultsOf(db))
  })
  router.get('/ledger/:id', async (req, res) => {
    res.json(await courseOf(db, workers, idOf(req.params.id)))
  })
  router.get('/ledger/:id/export', async (req, res) => {
    res.json(await exportOf(db, idOf(req.params.id)))
  })
  router.post('/ledger/:id/erased', async (req, res) => {
    await eraseName(db, idOf(req.params.id))
    res.status(204).end()
  })
  return router
}
