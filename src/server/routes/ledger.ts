import { Router } from 'express'
import { z } from 'zod'
import type { Database } from '../database'
import { courseOf, eraseName, exportOf, ledgerOf, marksOfScope, resultsOf } from '../ledger'
import type { Workers } from '../workers/pool'
import { only } from '../accounts/routes'
import { idOf } from './circuits'

/** The school's records. */
export function ledgerRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.use('/ledger', only('instructor'))
  const scope = z.object({ class: z.uuid().optional(), day: z.uuid().optional() })
  router.get('/ledger', async (req, res) => {
    res.json(await ledgerOf(db, workers, scope.parse(req.query)))
  })
  router.get('/ledger/marks', async (req, res) => {
    res.json(await marksOfScope(db, workers, scope.parse(req.query)))
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
