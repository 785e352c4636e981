import { Router } from 'express'
import { newExamSchema } from '../../contract'
import type { Database } from '../database'
import { only, signedIn, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'
import type { Workers } from '../workers/pool'
import { handbookFor, listExams, loadExam, releaseExam, removeExam, setExam } from './exams'

/** Examinations: set, watched, released all at once. A student only learns how much of the Handbook is open. */
export function examRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.get('/exams/mine', signedIn, async (_req, res) => {
    res.json({ handbook: await handbookFor(db, userOf(res)) })
  })
  router.use('/exams', only('instructor'))
  router.get('/exams', async (_req, res) => {
    res.json(await listExams(db))
  })
  router.post('/exams', async (req, res) => {
    res.status(201).json(await setExam(db, workers, newExamSchema.parse(req.body), userOf(res)))
  })
  router.get('/exams/:id', async (req, res) => {
    res.json(await loadExam(db, idOf(req.params.id)))
  })
  router.post('/exams/:id/released', async (req, res) => {
    res.json(await releaseExam(db, idOf(req.params.id)))
  })
  router.delete('/exams/:id', async (req, res) => {
    await removeExam(db, idOf(req.params.id))
    res.status(204).end()
  })
  return router
}
