import { Router } from 'express'
import { memberSchema, newClassSchema, rosterSchema } from '../../contract'
import { addClass, importRoster, listClasses, planRoster, setMember } from '../classes'
import type { Database } from '../database'
import { only } from '../accounts/routes'
import { idOf } from './circuits'

/** Classes and who is in them; rosters of other systems are looked at before anything is changed. */
export function classRoutes(db: Database): Router {
  const router = Router()
  router.use(['/classes', '/roster'], only('instructor'))
  router.get('/classes', async (_req, res) => {
    res.json(await listClasses(db))
  })
  router.post('/classes', async (req, res) => {
    const { name, term } = newClassSchema.parse(req.body)
    res.status(201).json({ id: await addClass(db, name, term) })
  })
  router.delete('/classes/:id', async (req, res) => {
    await db.query('delete from classes where id = $1', [idOf(req.params.id)])
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
  router.post('/roster', async (req, res) => {
    res.status(201).json(await importRoster(db, rosterSchema.parse(req.body)))
  })
  return router
}
