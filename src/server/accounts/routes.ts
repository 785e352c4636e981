import { Router, type Request, type RequestHandler, type Response } from 'express'
import { z } from 'zod'
import { say } from '../../core/document'
import {
  afterSchema,
  cardInSchema,
  cardPersonSchema,
  cardSchema,
  changePasswordSchema,
  languageSchema,
  newAccountSchema,
  schoolNameSchema,
  setUpSchema,
  settleClaimSchema,
  signInSchema,
  type Role,
  type Session,
  type User,
} from '../../contract'
import type { Database } from '../database'
import { HttpError } from '../http/http-error'
import { limitRequests } from '../http/request-limits'
import { nameSchool, schoolName } from '../operations/school-name'
import { peopleOf, scopeOf } from '../class/scope'
import { newBenchCode } from './bench-codes'
import { askToConfirm, cardHours, openClaims, peopleAt, settleClaim, signInByCard } from './cards'
import { deviceDays, rememberDevice } from './devices'
import type { Directory } from './directory'
import { endSessions, openSession, otherSessions, sessionHours, signOut, visitorOf } from './sessions'
import { signInQueue } from './sign-in-queue'
import { newestSignIns, noteSignIn } from './sign-ins'
import { lookInTurn } from './login-throttle'
import { cookieOf } from './tokens'
import {
  addHashed,
  addUser,
  anyInstructor,
  changePassword,
  chooseLanguage,
  hashOfNew,
  lockUsers,
  people,
  removeUser,
  resetPassword,
  students,
  studentsPage,
  userWithPassword,
} from './users'

const cookieName = 'brachyon_session'
const deviceCookie = 'brachyon_device'

const tokenOf = (req: Request): string | undefined => cookieOf(req.headers.cookie, cookieName)
const deviceOf = (req: Request): string | undefined => cookieOf(req.headers.cookie, deviceCookie)

/** What a session that came of a bench's card may ask for; `another` would be an order of no bench. */
const atBench = /^\/(session|language|card(\/(ask|in))?|desk(\/[^/]+(\/(?!another$)[^/]+)?)?)$/

/** Finds out who asks. User and session are kept in `res.locals`. */
export const identify =
  (db: Database): RequestHandler =>
  async (req, res, next) => {
    const visitor = await visitorOf(db, tokenOf(req))
    res.locals.user = visitor?.user
    res.locals.session = visitor?.session
    // A password that somebody else chose is changed before anything else is done with it.
    if (visitor?.user.mustChange && !/^\/(session|sessions|password)$/.test(req.path))
      throw new HttpError(403, say('school.changeFirst'))
    if (visitor?.user.bench && !atBench.test(req.path)) throw new HttpError(403, say('school.benchOnly'))
    next()
  }

/** Changes are taken from our own pages only: the browser says where a request comes from. */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  const safe = req.method === 'GET' || req.method === 'HEAD'
  if (!safe && !isOurs(req)) throw new HttpError(403, say('school.otherSite'))
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
  if (!user) throw new HttpError(401, say('school.signInFirst'))
  return user
}

/** The session by which somebody is signed in. */
export const sessionOf = (res: { locals: Record<string, unknown> }): string => {
  userOf(res)
  return res.locals.session as string
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
      throw new HttpError(403, say(role === 'instructor' ? 'school.forInstructors' : 'school.forStudents'))
    next()
  }

/** Where a try to sign in comes from: a browser that is known for the account, or an address. */
const sourceOf = (res: Response): string => res.locals.source as string
/** Whose sign-in is tried, before anything is known of what was sent. */
const accountOf = ({ body }: Request): string => {
  const login: unknown = typeof body === 'object' && body !== null && 'login' in body ? body.login : ''
  return typeof login === 'string' ? login.trim().toLowerCase().slice(0, 60) : ''
}

/** From one place; a class sits behind one address, so that accounts are slowed one by one besides (`throttle`). */
const mostFromAddress = 400

/** Gives a browser its session. */
export function giveSession(req: Request, res: Response, token: string, hours: number): void {
  res.cookie(cookieName, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: req.secure,
    path: '/',
    maxAge: hours * 3_600_000,
  })
}

/** Remembers the browser, so that wrong tries of others do not slow this account here. */
export async function giveDevice(db: Database, req: Request, res: Response, user: string): Promise<void> {
  res.cookie(deviceCookie, await rememberDevice(db, user, deviceOf(req)), {
    httpOnly: true,
    sameSite: 'strict',
    secure: req.secure,
    path: '/api',
    maxAge: deviceDays * 24 * 3_600_000,
  })
}

export function accountRoutes(db: Database, directory?: Directory): Router {
  const router = Router()
  const slow: RequestHandler[] = [
    signInQueue(db, deviceOf, accountOf),
    limitRequests(db, {
      name: 'sign-in',
      most: mostFromAddress,
      seconds: 15 * 60,
      by: sourceOf,
      onlyRefused: true,
      why: say('school.tooManyTries'),
    }),
  ]

  router.get('/session', async (_req, res) => {
    const user = (res.locals.user as User | undefined) ?? null
    res.json({
      user,
      setUp: !(await anyInstructor(db)),
      directory: directory?.label ?? null,
    } satisfies Session)
  })

  router.post('/session', ...slow, async (req, res) => {
    const { login, password } = signInSchema.parse(req.body)
    const address = req.ip ?? ''
    const user = await lookInTurn(db, { account: login, source: sourceOf(res) }, () =>
      userWithPassword(db, login, password),
    ).catch(async (error: unknown) => {
      await noteSignIn(db, login, address, 'waits')
      throw error
    })
    await noteSignIn(db, login, address, user ? 'in' : 'wrong')
    if (!user) throw new HttpError(401, say('school.wrongPassword'))
    await directory?.linkPending(db, req, res, user)
    const hours = sessionHours[user.role]
    const { token, session } = await openSession(db, user.id, { hours })
    giveSession(req, res, token, hours)
    await giveDevice(db, req, res, user.id)
    res.json({
      user,
      setUp: false,
      directory: directory?.label ?? null,
      others: await otherSessions(db, user.id, session),
    } satisfies Session)
  })

  /** With a bench's card and the word of the day: first who stands there, then one of them. */
  router.post('/card', ...slow, async (req, res) => {
    res.json(await peopleAt(db, cardSchema.parse(req.body), req.ip ?? ''))
  })
  router.post('/card/ask', ...slow, async (req, res) => {
    res.status(201).json(await askToConfirm(db, cardPersonSchema.parse(req.body), req.ip ?? ''))
  })
  router.post('/card/in', ...slow, async (req, res) => {
    const found = await signInByCard(db, cardInSchema.parse(req.body), req.ip ?? '')
    if (!found) {
      res.json({ waiting: true })
      return
    }
    await noteSignIn(db, found.user.login, req.ip ?? '', 'card')
    giveSession(req, res, found.token, cardHours)
    res.json({ user: found.user, setUp: false } satisfies Session)
  })
  router.get('/claims', only('instructor'), async (_req, res) => {
    res.json(await openClaims(db))
  })
  router.post('/claims/:id', only('instructor'), async (req, res) => {
    await settleClaim(db, z.uuid().parse(req.params.id), settleClaimSchema.parse(req.body).confirmed)
    res.status(204).end()
  })

  router.delete('/session', async (req, res) => {
    const token = tokenOf(req)
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
    await endSessions(db, userOf(res).id, tokenOf(req))
    res.status(204).end()
  })

  router.put('/password', signedIn, async (req, res) => {
    const user = userOf(res)
    const change = changePasswordSchema.parse(req.body)
    const token = tokenOf(req) ?? ''
    // Whoever sits at an open session is no nearer to the password than a stranger; strangers do not slow them.
    const attempt = { account: user.login, source: `session ${sessionOf(res)}` }
    const known = await lookInTurn(db, attempt, () => changePassword(db, user, change, token))
    if (!known) throw new HttpError(422, say('school.currentWrong'))
    res.status(204).end()
  })

  /** A student's own code for signing in at a bench. */
  router.post('/bench-code', only('student'), async (_req, res) => {
    res.status(201).json({ code: await newBenchCode(db, userOf(res).id) })
  })

  router.post('/set-up', ...slow, async (req, res) => {
    const { school, ...account } = setUpSchema.parse(req.body)
    if (await anyInstructor(db)) throw new HttpError(403, say('school.setUpAlready'))
    // Slow work comes before the transaction, not in it.
    const hash = await hashOfNew(db, account)
    const user = await db.transaction(async (tx) => {
      await lockUsers(tx)
      if (await anyInstructor(tx)) throw new HttpError(403, say('school.setUpAlready'))
      if (school) await nameSchool(tx, school)
      return addHashed(tx, account, 'instructor', false, hash)
    })
    res.status(201).json(user)
  })

  router.get('/students/page', only('instructor'), async (req, res) => {
    const people = await peopleOf(db, scopeOf(req.query))
    res.json(await studentsPage(db, people, afterSchema.parse(req.query.after)))
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
  router.post('/people/:id/bench-code', only('instructor'), async (req, res) => {
    res.status(201).json({ code: await newBenchCode(db, z.uuid().parse(req.params.id)) })
  })
  router.delete('/people/:id', only('instructor'), async (req, res) => {
    await removeUser(db, z.uuid().parse(req.params.id), userOf(res))
    res.status(204).end()
  })
  router.get('/sign-ins', only('instructor'), async (_req, res) => {
    res.json(await newestSignIns(db))
  })
  router.get('/school', only('instructor'), async (_req, res) => {
    res.json({ name: await schoolName(db) })
  })
  router.put('/school', only('instructor'), async (req, res) => {
    await nameSchool(db, schoolNameSchema.parse(req.body).name)
    res.status(204).end()
  })
  return router
}
