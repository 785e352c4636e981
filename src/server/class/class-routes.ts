import { Router } from 'express'
import { memberSchema, newClassSchema, rosterSchema, scopeSchema, teachingSchema } from '../../contract'
import { keepScope, lastScope } from '../accounts/users'
import { answerWithProgress } from '../http/progress-answer'
import {
  addClass,
  importRoster,
  listClasses,
  planRoster,
  removeClass,
  setMember,
  setTeaching,
} from './classes'
import type { Database } from '../database'
import { only, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'

/** Classes and who is in them; rosters of other systems are looked at before anything is changed. */
export function classRoutes(db: Database): Router {
  const router = Router()
  router.use(['/classes', '/roster'], only('instructor'))
  router.get('/classes', async (_req, res) => {
    res.json(await listClasses(db, userOf(res)))
  })
  router.post('/classes', async (req, res) => {
    const { name, term } = newClassSchema.parse(req.body)
    res.status(201).json({ id: await addClass(db, name, term, userOf(res)) })
  })
  router.delete('/classes/:id', async (req, res) => {
    await removeClass(db, idOf(req.params.id))
    res.status(204).end()
  })
  router.put('/classes/:id/teaching', async (req, res) => {
    await setTeaching(db, idOf(req.params.id), userOf(res), teachingSchema.parse(req.body).teaches)
    res.status(204).end()
  })
  router.get('/scope', only('instructor'), async (_req, res) => {
    res.json(await lastScope(db, userOf(res).id))
  })
  router.put('/scope', only('instructor'), async (req, res) => {
    await keepScope(db, userOf(res).id, scopeSchema.parse(req.body))
    res.status(204).end()
  })
  router.post('/classes/:id/members', async (req, res) => {
    await setMember(db, idOf(req.params.id), memberSchema.parse(req.body).student, true)
    res.status(204).end()
  })
  router.delete('/classes/:id/members/:student', async (req, res) => {
    await setMember(db, idOf(req.params.id), idOf(req.params.student), false)
    res.status(204).end()
  })
  router.post('/roster/plan', async (req, res) => {
    res.json(await planRoster(db, rosterSchema.parse(req.body)))
  })
  // Five hundred passwords take their time: how far it is comes line by line, then what was done.
  router.post('/roster', async (req, res) => {
    const asked = rosterSchema.parse(req.body)
    await answerWithProgress(req, res, (tell) => importRoster(db, asked, tell))
  })
  return router
}
