import { Router } from 'express'
import { newRubricSchema, tryRubricSchema, type RubricList, type TriedRubric } from '../../contract'
import type { Database } from '../database'
import { judgedBy } from '../judging'
import { loadOrder, loadSteps } from './orders'
import { addRubric, listRubrics } from './rubrics'
import { sampleAttempt } from './sample'
import type { Workers } from '../workers/pool'
import { only, userOf } from '../accounts/routes'
import { untilGone } from '../http/until-gone'

/** How attempts are marked: versions, a new one, and what a draft would make of an attempt. */
export function rubricRoutes(db: Database, workers: Workers): Router {
  const router = Router()
  router.use('/rubrics', only('instructor'))
  router.get('/rubrics', async (_req, res) => {
    res.json({ versions: await listRubrics(db) } satisfies RubricList)
  })
  router.post('/rubrics', async (req, res) => {
    res.status(201).json(await addRubric(db, newRubricSchema.parse(req.body), userOf(res)))
  })
  router.post('/rubrics/try', async (req, res) => {
    const { rubric, order: id } = tryRubricSchema.parse(req.body)
    const { order, steps } = id
      ? { order: await loadOrder(db, id), steps: (await loadSteps(db, id)).map(({ step }) => step) }
      : sampleAttempt()
    const { marks, total, of, uncapped } = await judgedBy(db, workers, order, steps, rubric, untilGone(res))
    res.json({ marks, total, of, ...(uncapped !== undefined && { uncapped }) } satisfies TriedRubric)
  })
  return router
}
