import { Router, type Request, type RequestHandler, type Response } from 'express'
import { rateLimit } from 'express-rate-limit'
import { z } from 'zod'
import {
  cardInSchema,
  cardSchema,
  changePasswordSchema,
  languageSchema,
  newAccountSchema,
  say,
  signInSchema,
  type Role,
  type Session,
  type User,
} from '../../contract'
import { cardHours, peopleAt, signInByCard } from '../cards'
import type { Database } from '../database'
import { iso } from '../orders'
import { Refusal } from '../refusal'
import { lookInTurn, noteSignIn } from '../tries'
import {
  addUser,
  anyInstructor,
  changePassword,
  chooseLanguage,
  endOthers,
  people,
  removeUser,
  resetPassword,
  sessionDays,
  signIn,
  signOut,
  students,
  userOfToken,
} from '../users'

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
    const user = await userOfToken(db, tokenOf(req.headers.cookie))
    res.locals.user = user
    // A password that somebody else chose is changed before anything else is done with it.
    if (user?.mustChange && !/^\/(session|sessions|password)$/.test(req.path))
      throw new Refusal(403, say('changeFirst'))
    next()
  }

/** Changes are taken from our own pages only: the browser says where a request comes from. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  const safe = req.method === 'GET' || req.method === 'HEAD'
  if (!safe && !isOurs(req)) throw new Refusal(403, say('otherSite'))
  next()
}

/** Browsers of today say it outright; of older ones the origin has to be ours, behind a trusted proxy with its scheme. */
function isOurs(req: Request): boolean {
  const site = req.get('sec-fetch-site')
  if (site !== undefined) return site === 'same-origin' || site === 'none'
  const { origin } = req.headers
  if (origin === undefined) return true
  if (!URL.canParse(origin)) return false
  const { host, protocol } = new URL(origin)
  return host === req.host && (!req.app.get('trust proxy') || protocol === `${req.protocol}:`)
}

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

/** From one address; a class sits behind one, so that accounts are slowed one by one instead (`tries`). */
const mostFromAddress = 400

function welcome(
  req: Request,
  res: Response,
  { user, token }: { readonly user: User; readonly token: string },
  hours: number,
): void {
  res.cookie(cookieName, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: req.secure,
    path: '/',
    maxAge: hours * 3_600_000,
  })
  res.json({ user, setUp: false } satisfies Session)
}

export function accountRoutes(db: Database): Router {
  const router = Router()
  const slow = rateLimit({
    windowMs: 15 * 60_000,
    limit: mostFromAddress,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // What a visitor says of an address is believed only of a proxy that was named: there is nothing to warn of.
    validate: { xForwardedForHeader: false },
    handler: (_req, _res, next) => next(new Refusal(429, say('tooManyTries'))),
  })

  router.get('/session', async (_req, res) => {
    const user = (res.locals.user as User | undefined) ?? null
    res.json({ user, setUp: !(await anyInstructor(db)) } satisfies Session)
  })

  router.post('/session', slow, async (req, res) => {
    const { login, password } = signInSchema.parse(req.body)
    const address = req.ip ?? ''
    const found = await lookInTurn(db, login, () => signIn(db, login, password)).catch(
      async (error: unknown) => {
        await noteSignIn(db, login, address, 'waits')
        throw error
      },
    )
    await noteSignIn(db, login, address, found ? 'in' : 'wrong')
    if (!found) throw new Refusal(401, say('wrongPassword'))
    welcome(req, res, found, 24 * sessionDays)
  })

  /** With a bench's card and the word of the day: first who stands there, then one of them. */
  router.post('/card', slow, async (req, res) => {
    res.json(await peopleAt(db, cardSchema.parse(req.body)))
  })
  router.post('/card/in', slow, async (req, res) => {
    const { person, ...card } = cardInSchema.parse(req.body)
    const found = await signInByCard(db, card, person)
    await noteSignIn(db, found.user.login, req.ip ?? '', 'card')
    welcome(req, res, found, cardHours)
  })

  router.delete('/session', async (req, res) => {
    const token = tokenOf(req.headers.cookie)
    const user = res.locals.user as User | undefined
    if (user) await noteSignIn(db, user.login, req.ip ?? '', 'out')
    if (token) await signOut(db, token)
    res.clearCookie(cookieName, { path: '/' }).status(204).end()
  })

  router.put('/language', signedIn, async (req, res) => {
    await chooseLanguage(db, userOf(res), languageSchema.parse(req.body).language)
    res.status(204).end()
  })

  /** Everywhere but here. */
  router.delete('/sessions', signedIn, async (req, res) => {
    await endOthers(db, userOf(res).id, tokenOf(req.headers.cookie) ?? '')
    res.status(204).end()
  })

  router.put('/password', slow, signedIn, async (req, res) => {
    const user = userOf(res)
    // Whoever sits at an open session is no nearer to the password than a stranger.
    const change = changePasswordSchema.parse(req.body)
    const token = tokenOf(req.headers.cookie) ?? ''
    const known = await lookInTurn(db, user.login, () => changePassword(db, user, change, token))
    if (!known) throw new Refusal(422, say('currentWrong'))
    res.status(204).end()
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
    res.status(201).json(await addUser(db, newAccountSchema.parse(req.body), 'student', true))
  })
  router.get('/people', only('instructor'), async (_req, res) => {
    res.json(await people(db))
  })
  router.post('/instructors', only('instructor'), async (req, res) => {
    res.status(201).json(await addUser(db, newAccountSchema.parse(req.body), 'instructor', true))
  })
  router.post('/people/:id/password', only('instructor'), async (req, res) => {
    res.json({ password: await resetPassword(db, z.uuid().parse(req.params.id)) })
  })
  router.delete('/people/:id', only('instructor'), async (req, res) => {
    await removeUser(db, z.uuid().parse(req.params.id), userOf(res))
    res.status(204).end()
  })
  router.get('/sign-ins', only('instructor'), async (_req, res) => {
    res.json(
      await db.query(
        `select ${iso('at')} as at, login, address, outcome from sign_ins order by id desc limit 200`,
      ),
    )
  })
  return router
}
