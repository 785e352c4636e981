import express, { Router, type RequestHandler } from 'express'
import { say } from '../../core/document'
import { type User } from '../../contract'
import { HttpError } from './http-error'
import { textProblems } from './texts'

interface BodyLimits {
  readonly bytes: number
  /** How deep objects and lists may stand in each other. */
  readonly depth: number
  /** Values in all. */
  readonly leaves: number
}

/** What somebody may send: a stranger a sign-in, a student a step, an instructor a circuit, a lesson or a roster. */
const limits: Readonly<Record<'stranger' | User['role'], BodyLimits>> = {
  stranger: { bytes: 4_000, depth: 4, leaves: 40 },
  student: { bytes: 200_000, depth: 20, leaves: 10_000 },
  instructor: { bytes: 2_000_000, depth: 40, leaves: 60_000 },
}

/**
 * Reads JSON bodies. How large, deep and full one is, is looked at before anything is made of it; a packed one is refused,
 * since what it unpacks to is not known. Who asks is known by now (`identify`).
 */
export function readBodies(): Router {
  const router = Router()
  const reader = (who: keyof typeof limits): RequestHandler =>
    express.raw({ type: 'application/json', limit: limits[who].bytes, inflate: false })
  const readers = {
    stranger: reader('stranger'),
    student: reader('student'),
    instructor: reader('instructor'),
  }
  router.use((req, res, next) => {
    const who = (res.locals.user as User | undefined)?.role ?? 'stranger'
    readers[who](req, res, (error: unknown) => {
      if (error) return next(error)
      // Called by the reader, out of sight of Express: what is thrown here has to be handed on.
      try {
        req.body = bodyOf(req.body, limits[who])
        next()
      } catch (refusal) {
        next(refusal)
      }
    })
  })
  return router
}

/** What was sent, once it is known to be neither too large nor senseless. */
function bodyOf(sent: unknown, most: BodyLimits): unknown {
  if (!Buffer.isBuffer(sent)) return sent
  checkShape(sent, most)
  const body = parse(sent)
  // A text that cannot be kept is refused at the door, with its field.
  const problems = textProblems(body)
  if (problems[0]) throw new HttpError(422, problems[0], problems)
  return body
}

function parse(bytes: Buffer): unknown {
  if (!bytes.length) return undefined
  try {
    return JSON.parse(bytes.toString('utf8'))
  } catch {
    throw new HttpError(400, say('school.notJson'))
  }
}

const quote = 0x22
const backslash = 0x5c
const comma = 0x2c
const opens = new Set([0x5b, 0x7b])
const closes = new Set([0x5d, 0x7d])

/** Counts in the bytes themselves; what is in quotation marks is text. @throws HttpError 413 */
function checkShape(bytes: Buffer, { depth: mostDepth, leaves: mostLeaves }: BodyLimits): void {
  let depth = 0
  let leaves = 1
  let inText = false
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i]!
    if (inText) {
      if (byte === backslash) i++
      else if (byte === quote) inText = false
    } else if (byte === quote) inText = true
    else if (byte === comma) leaves++
    else if (opens.has(byte)) depth++
    else if (closes.has(byte)) depth--
    if (depth > mostDepth || leaves > mostLeaves) throw new HttpError(413, say('school.tooBig'))
  }
}
