import { timingSafeEqual } from 'node:crypto'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import express, { Router, type RequestHandler } from 'express'
import { z } from 'zod'
import { say } from '../../core/document'
import { retentionSchema } from '../../contract'
import { only } from '../accounts/routes'
import type { Database } from '../database'
import { HttpError } from '../http/http-error'
import { givePassword } from '../accounts/users'
import { exportSchool } from './export-school'
import { packed } from './packed'
import { restoreBin } from './bin'
import { trustClock } from './clock'
import { keepFor, lookForOld, retentionState } from './retention'
import { noteFact, statusOf } from './status'

/** Milliseconds for which whoever takes a backup may stand still. */
const patience = 60_000

/**
 * For whoever can read the key in the data folder: an embedded database is open in one process alone, so that its server
 * has to be asked while the school is open.
 */
export function operationRoutes(db: Database, key: string): Router {
  const router = Router()
  router.use('/ops', onlyWith(key))
  router.get('/ops/backup', async (_req, res) => {
    res.type('application/gzip')
    res.setTimeout(patience, () => res.destroy())
    // Where the reader goes away, or the database fails, the answer is cut off: nobody takes it for a whole one.
    await pipeline(Readable.from(exportSchool(db, new Date())), packed(), res).then(
      () => noteFact(db, 'backup'),
      (error: unknown) => {
        if (!res.headersSent) throw error
        res.destroy()
      },
    )
  })
  router.post('/ops/password', express.json({ limit: '1kb' }), async (req, res) => {
    const { login } = z.object({ login: z.string() }).parse(req.body)
    const password = await givePassword(db, login)
    if (password === undefined) throw new HttpError(404, say('school.noPerson'))
    res.json({ password })
  })
  return router
}

const onlyWith =
  (key: string): RequestHandler =>
  (req, _res, next) => {
    const given = Buffer.from(req.get('authorization')?.replace(/^Bearer /, '') ?? '')
    const wanted = Buffer.from(key)
    if (given.length !== wanted.length || !timingSafeEqual(given, wanted))
      throw new HttpError(404, say('school.nothingHere'))
    next()
  }

/** What instructors see and set of the school's computer. */
export function schoolRoutes(db: Database, folder: string | undefined): Router {
  const router = Router()
  router.get('/status', only('instructor'), async (_req, res) => {
    res.json(await statusOf(db, folder))
  })
  router.use(['/retention', '/bin', '/clock'], only('instructor'))
  router.get('/retention', async (_req, res) => {
    res.json(await retentionState(db))
  })
  router.put('/retention', async (req, res) => {
    await keepFor(db, retentionSchema.parse(req.body).months)
    res.json(await retentionState(db))
  })
  /** Puts back what lies in the bin. */
  router.post('/bin/restored', async (_req, res) => {
    res.json({ count: await restoreBin(db) })
  })
  /** Somebody has compared the clock with a calendar. */
  router.post('/clock/right', async (_req, res) => {
    await trustClock(db)
    await lookForOld(db)
    res.json(await retentionState(db))
  })
  return router
}
