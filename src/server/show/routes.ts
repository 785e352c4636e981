import { Router } from 'express'
import { answerSchema, newQuestionSchema, wallMessageSchema } from '../../contract'
import type { Database } from '../database'
import { answer, ask, askedOf, close, spreadOf, tellWall, type Room } from './room'
import type { Streams } from '../http/streams'
import { only, signedIn, userOf } from '../accounts/routes'
import { idOf } from '../circuits/routes'

/** Questions from the wall, and the class's own answers. */
export function roomRoutes(db: Database, room: Room, streams: Streams): Router {
  const router = Router()
  router.get('/room/live', signedIn, async (req, res) => {
    await room.attend(await streams.begin(req, res), userOf(res))
  })
  router.post('/wall', only('instructor'), async (req, res) => {
    await tellWall(db, wallMessageSchema.parse(req.body), userOf(res))
    res.status(204).end()
  })
  router.post('/questions', only('instructor'), async (req, res) => {
    res.status(201).json(await ask(db, newQuestionSchema.parse(req.body), userOf(res)))
  })
  router.delete('/questions/:id', only('instructor'), async (req, res) => {
    await close(db, idOf(req.params.id), userOf(res))
    res.status(204).end()
  })
  router.get('/questions/:id/answers', only('instructor'), async (req, res) => {
    res.json(await spreadOf(db, idOf(req.params.id), userOf(res)))
  })
  router.get('/asked', only('student'), async (_req, res) => {
    res.json(await askedOf(db, userOf(res)))
  })
  router.put('/asked/:id', only('student'), async (req, res) => {
    await answer(db, idOf(req.params.id), answerSchema.parse(req.body), userOf(res))
    res.status(204).end()
  })
  return router
}
