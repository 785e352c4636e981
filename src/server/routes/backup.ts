import { timingSafeEqual } from 'node:crypto'
import { createGzip } from 'node:zlib'
import { pipeline } from 'node:stream/promises'
import { PassThrough } from 'node:stream'
import { Router } from 'express'
import { say } from '../../contract'
import { exportSchool } from '../backup'
import { noteFact } from '../status'
import type { Database } from '../database'
import { Refusal } from '../refusal'

/**
 * Hands out a backup to whoever can read the key in the data folder: an embedded database is open in one process alone, so
 * that it has to be asked while the school is open.
 */
export function backupRoutes(db: Database, key: string): Router {
  const router = Router()
  router.get('/ops/backup', async (req, res) => {
    const given = Buffer.from(req.get('authorization')?.replace(/^Bearer /, '') ?? '')
    const wanted = Buffer.from(key)
    if (given.length !== wanted.length || !timingSafeEqual(given, wanted))
      throw new Refusal(404, say('nothingHere'))
    res.type('application/gzip')
    const lines = new PassThrough()
    const sent = pipeline(lines, createGzip(), res)
    await exportSchool(db, new Date(), async (line) => {
      if (!lines.write(line)) await new Promise((done) => lines.once('drain', done))
    })
    lines.end()
    await sent
    await noteFact(db, 'backup')
  })
  return router
}
