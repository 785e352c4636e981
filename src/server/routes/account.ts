import { Router, type RequestHandler } from 'express'
import { rateLimit } from 'express-rate-limit'
import { say, newAccountSchema, signInSchema, type Role, type Session, type User } from '../../contract'
import type { Database } from '../database'
import { Refusal } from '../refusal'
import { addUser, anyInstructor, sessionDays, signIn, signOut, students, userOfToken } from '../users'

const cookieName = 'brachyon_session'

const tokenOf = (header: string | undefined): string | undefined =>
  header
    ?.split(';')
    .map((pair) => pair.trim())
    .find((pair) => pair.startsWith(`${cookieName}=`))
    ?.slice(cookieName.length + 1)

/** Finds out who asks. The user is kept in `res.locals`. */
export const identify =
  (db: Database): RequestHandler =>
  async (req, res, next) => {
    res.locals.user = await userOfToken(db, tokenOf(req.headers.cookie))
    next()
  }

/** Changes are taken from our own pages only: the browser says where a request comes from. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  const origin = req.headers.origin
  const safe = req.method === 'GET' || req.method === 'HEAD'
  if (!safe && origin !== undefined && hostOf(origin) !== req.headers.host) {
    throw new Refusal(403, say('otherSite'))
  }
  next()
}

const hostOf = (origin: string): string | undefined =>
  URL.canParse(origin) ? new URL(origin).host : undefined

export const userOf = (res: { locals: Record<string, unknown> }): User => {
  const user = res.locals.user as User | undefined
  if (!user) throw new Refusal(401, say('signInFirst'))
  return user
}

/** Lets everybody through who is signed in. */
export const signedIn: RequestHandler = (_req, res, next) => {
  userOf(res)
  next()
}

/** Lets a role through; others are told, strangers are asked to sign in. */
export const only =
  (role: Role): RequestHandler =>
  (_req, res, next) => {
    if (userOf(res).role !== role)
      throw new Refusal(403, say(role === 'instructor' ? 'forInstructors' : 'forStudents'))
    next()
  }

export function accountRoutes(db: Database): Router {
  const router = Router()
  const slow = rateLimit({
    windowMs: 15 * 60_000,
    limit: 20,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, _res, next) => next(new Refusal(429, say('tooManyTries'))),
  })

  router.get('/session', async (_req, res) => {
    const user = (res.locals.user as User | undefined) ?? null
    res.json({ user, setUp: !(await anyInstructor(db)) } satisfies Session)
  })

  router.post('/session', slow, async (req, res) => {
    const { login, password } = signInSchema.parse(req.body)
    const found = await signIn(db, login, password)
    if (!found) throw new Refusal(401, say('wrongPassword'))
    res.cookie(cookieName, found.token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: req.secure,
      path: '/',
      maxAge: sessionDays * 86_400_000,
    })
    res.json({ user: found.user, setUp: false } satisfies Session)
  })

  router.delete('/session', async (req, res) => {
    const token = tokenOf(req.headers.cookie)
    if (token) await signOut(db, token)
    res.clearCookie(cookieName, { path: '/' }).status(204).end()
  })

  router.post('/set-up', slow, async (req, res) => {
    const account = newAccountSchema.parse(req.body)
    const user = await db.transaction(async (tx) => {
      await tx.query('lock table users in share row exclusive mode')
      if (await anyInstructor(tx)) throw new Refusal(403, say('setUpAlready'))
      return addUser(tx, account, 'instructor')
    })
    res.status(201).json(user)
  })

  router.get('/students', only('instructor'), async (_req, res) => {
    res.json(await students(db))
  })

  router.post('/students', only('instructor'), async (req, res) => {
    res.status(201).json(await addUser(db, newAccountSchema.parse(req.body), 'student'))
  })
  return router
}
