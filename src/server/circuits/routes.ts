import { Router, type Response } from 'express'
import { z } from 'zod'
import { say, coded } from '../../core/document'
import { editRequestSchema, historyStepSchema, plantSchema } from '../../contract'
import { addCircuit, editCircuit, listCircuits, loadCircuit, savePlant, stepHistory } from './circuits'
import type { Database } from '../database'
import type { KeyedAct } from '../http/once'
import { only, userOf } from '../accounts/routes'

export const idOf = (value: unknown): string => z.uuid(coded(say('school.badAddress'))).parse(value)

/** An act of whoever asks, under the key that the page has made for it. */
const keyed = (key: string | undefined, res: Response): KeyedAct | undefined =>
  key === undefined ? undefined : { key, user: userOf(res) }

/** Circuits, their edits and what is planted in them: instructors only. */
export function circuitRoutes(db: Database): Router {
  const router = Router()
  router.use('/circuits', only('instructor'))
  router.get('/circuits', async (_req, res) => {
    res.json(await listCircuits(db))
  })
  router.post('/circuits', async (req, res) => {
    const id = await addCircuit(db, req.body, userOf(res).id)
    res.status(201).json(await loadCircuit(db, id))
  })
  router.get('/circuits/:id', async (req, res) => {
    res.json(await loadCircuit(db, idOf(req.params.id)))
  })
  router.post('/circuits/:id/edits', async (req, res) => {
    const { revision, edit, key } = editRequestSchema.parse(req.body)
    res.json(await editCircuit(db, idOf(req.params.id), revision, edit, keyed(key, res)))
  })
  router.post('/circuits/:id/undo', async (req, res) => {
    const { key } = historyStepSchema.parse(req.body ?? {})
    res.json(await stepHistory(db, idOf(req.params.id), 'undo', keyed(key, res)))
  })
  router.post('/circuits/:id/redo', async (req, res) => {
    const { key } = historyStepSchema.parse(req.body ?? {})
    res.json(await stepHistory(db, idOf(req.params.id), 'redo', keyed(key, res)))
  })
  router.put('/circuits/:id/plant', async (req, res) => {
    await savePlant(db, idOf(req.params.id), plantSchema.parse(req.body))
    res.status(204).end()
  })
  return router
}
