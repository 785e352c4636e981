import { pipeline } from 'node:stream/promises'
import { Router, type Response } from 'express'
import { afterSchema, attemptsQuerySchema, type JudgingState } from '../../contract'
import type { Database } from '../database'
import { countWaiting } from '../judging/rejudgements'
import { countJudged } from '../judging/results'
import { attemptsBehind } from './attempts'
import { courseOf } from './course'
import { Difficulties } from '../learning/difficulties'
import { eraseName } from './erase'
import { expectStudent, ledgerOf, ledgerStudents } from './ledger'
import { marksFile, marksOf } from './marks'
import { commonMistakes } from './mistakes'
import { lineItemsFile, resultsFile } from './results-file'
import { ledgerScopeOf } from './scope'
import { exportOf } from './student-export'
import { only, signedIn, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'
import type { Workers } from '../workers/pool'

/** A file that is written as fast as it is taken; whoever goes away ends it. */
async function sendCsv(res: Response, name: string, file: NodeJS.ReadableStream): Promise<void> {
  res.attachment(name).type('text/csv; charset=utf-8')
  await pipeline(file, res).catch((error: unknown) => {
    if (!res.destroyed && !res.writableEnded) throw error
  })
}

/** The school's records. */
export function ledgerRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  const difficulties = new Difficulties(db, workers)
  router.get('/mistakes', signedIn, async (_req, res) => {
    res.json(await commonMistakes(db, userOf(res)))
  })
  router.use('/ledger', only('instructor'))
  router.get('/ledger', async (req, res) => {
    res.json(await ledgerOf(db, ledgerScopeOf(req.query), difficulties))
  })
  router.get('/ledger/students', async (req, res) => {
    res.json(await ledgerStudents(db, ledgerScopeOf(req.query), afterSchema.parse(req.query.after)))
  })
  router.get('/ledger/attempts', async (req, res) => {
    const { query } = req
    const which = attemptsQuerySchema.parse(query)
    res.json(await attemptsBehind(db, ledgerScopeOf(query), which, afterSchema.parse(query.after)))
  })
  router.get('/ledger/judging', async (_req, res) => {
    res.json({ ...(await countJudged(db)), waiting: await countWaiting(db) } satisfies JudgingState)
  })
  router.get('/ledger/marks', async (req, res) => {
    res.json(await marksOf(db, ledgerScopeOf(req.query), afterSchema.parse(req.query.after)))
  })
  router.get('/ledger/marks.csv', async (req, res) => {
    await sendCsv(res, 'marks.csv', marksFile(db, ledgerScopeOf(req.query)))
  })
  router.get('/ledger/lineItems.csv', async (req, res) => {
    await sendCsv(res, 'lineItems.csv', lineItemsFile(db, ledgerScopeOf(req.query)))
  })
  router.get('/ledger/results.csv', async (req, res) => {
    await sendCsv(res, 'results.csv', resultsFile(db, ledgerScopeOf(req.query)))
  })
  router.get('/ledger/:id', async (req, res) => {
    const id = idOf(req.params.id)
    await expectStudent(db, id)
    res.json(await courseOf(db, id, afterSchema.parse(req.query.after)))
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
