import { Router } from 'express'
import { z } from 'zod'
import { handOutSchema, keepLessonSchema } from '../../contract'
import type { Database } from '../database'
import {
  addLesson,
  admitLesson,
  changeLesson,
  copyLesson,
  handOutLesson,
  keepLesson,
  listLessons,
  listVersions,
  loadLesson,
  removeLesson,
} from './lessons'
import { setDifficulties, soon, workOutLeft } from '../learning/lessons'
import type { Workers } from '../workers/pool'
import { only, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'

/** As a column of whole numbers holds it. */
const versionNumber = z.coerce.number().int().min(1).max(1_000_000)

/** The school's lessons. A student never comes near: what is planted stands in them. */
export function lessonRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.use('/lessons', only('instructor'))
  router.get('/lessons', async (_req, res) => {
    const list = await listLessons(db)
    res.json(list)
    workOutLeft(db, workers, list)
  })
  /** One file of ours, taken in as it is. */
  router.post('/lessons', async (req, res) => {
    const lesson = admitLesson(req.body)
    res.status(201).json({ id: await db.transaction((tx) => addLesson(tx, lesson)) })
  })
  router.post('/lessons/kept', async (req, res) => {
    res.status(201).json(await keepLesson(db, keepLessonSchema.parse(req.body)))
  })
  router.get('/lessons/:id', async (req, res) => {
    const version = versionNumber.optional().parse(req.query.version)
    res.json(await loadLesson(db, idOf(req.params.id), version))
  })
  router.put('/lessons/:id', async (req, res) => {
    res.json(await changeLesson(db, idOf(req.params.id), admitLesson(req.body)))
  })
  router.delete('/lessons/:id', async (req, res) => {
    await removeLesson(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.get('/lessons/:id/difficulty', async (req, res) => {
    const stored = await loadLesson(db, idOf(req.params.id))
    const sets = await soon(setDifficulties(db, workers, stored))
    res.json({ sets })
  })
  router.get('/lessons/:id/versions', async (req, res) => {
    res.json(await listVersions(db, idOf(req.params.id)))
  })
  router.post('/lessons/:id/copy', async (req, res) => {
    res.status(201).json({ id: await copyLesson(db, idOf(req.params.id), userOf(res)) })
  })
  router.post('/lessons/:id/orders', async (req, res) => {
    const asked = handOutSchema.parse(req.body)
    res.status(201).json({ count: await handOutLesson(db, workers, idOf(req.params.id), asked, userOf(res)) })
  })
  return router
}
