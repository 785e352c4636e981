import { Router, type Request, type Response } from 'express'
import * as oidc from 'openid-client'
import { z } from 'zod'
import { say } from '../../core/document'
import { newAccountSchema, type Role, type User } from '../../contract'
import type { Database, Queries } from '../database'
import { HttpError } from '../http/http-error'
import { giveDevice, giveSession } from './routes'
import { openSession, sessionHours } from './sessions'
import { noteSignIn } from './sign-ins'
import { cookieOf, hashToken, newToken } from './tokens'
import { addHashed } from './users'

/** How the school's own directory is asked (OpenID Connect Core 1.0, authorization code flow with PKCE). */
export interface DirectorySettings {
  readonly issuer: URL
  readonly clientId: string
  readonly clientSecret: string
  /** What the sign-in is called, such as `school account`. */
  readonly label: string
  /** The claim that holds the sign-in name. */
  readonly loginClaim: string
  /** The claim that holds groups, and which of them are instructors and students; nobody is added without. */
  readonly roleClaim: string
  readonly instructors: readonly string[]
  readonly students: readonly string[]
  /** Where browsers find us, if a request does not tell. */
  readonly publicUrl?: string | undefined
}

/** The settings of the environment; undefined where there is no directory. @throws Error in one sentence */
export function directorySettings(env: NodeJS.ProcessEnv): DirectorySettings | undefined {
  const { OIDC_ISSUER: issuer, OIDC_CLIENT_ID: clientId, OIDC_CLIENT_SECRET: clientSecret } = env
  if (!issuer) return undefined
  if (!URL.canParse(issuer))
    throw new Error(
      `OIDC_ISSUER is “${issuer}”: it must be an address such as https://directory.school.example.`,
    )
  if (!clientId || !clientSecret)
    throw new Error(
      'OIDC_ISSUER is set: set OIDC_CLIENT_ID and OIDC_CLIENT_SECRET as well, as the directory gave them.',
    )
  const url = new URL(issuer)
  if (url.protocol !== 'https:' && !isLoopback(url))
    throw new Error(`OIDC_ISSUER is “${issuer}”: a directory is asked over https only.`)
  const list = (text = '') =>
    text
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean)
  return {
    issuer: url,
    clientId,
    clientSecret,
    label: env.OIDC_LABEL ?? 'school account',
    loginClaim: env.OIDC_LOGIN_CLAIM ?? 'preferred_username',
    roleClaim: env.OIDC_ROLE_CLAIM ?? 'groups',
    instructors: list(env.OIDC_INSTRUCTORS),
    students: list(env.OIDC_STUDENTS),
    publicUrl: env.PUBLIC_URL,
  }
}

const isLoopback = ({ hostname }: URL): boolean => ['localhost', '127.0.0.1', '[::1]'].includes(hostname)

const visitCookie = 'brachyon_visit'
/** Minutes that a visit at the directory may take. */
const visitMinutes = 15

const visitSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('visit'),
    verifier: z.string(),
    state: z.string(),
    nonce: z.string(),
    next: z.string(),
  }),
  z.object({ type: z.literal('link'), subject: z.string(), login: z.string() }),
])
type Visit = z.infer<typeof visitSchema>

/** An address of our own pages; anything else leads to the first. */
const ownPath = (text: unknown): string =>
  typeof text === 'string' && /^\/(?![/\\])/.test(text) ? text.slice(0, 500) : '/'

/** Sign-in by the school's own directory. Local accounts stay: an account may be signed in to either way. */
export class Directory {
  private found: Promise<oidc.Configuration> | undefined

  constructor(private readonly settings: DirectorySettings) {}

  get label(): string {
    return this.settings.label
  }

  /** Asked for when first needed: a directory that is down must not keep the school from starting. */
  private configuration(): Promise<oidc.Configuration> {
    const { issuer, clientId, clientSecret } = this.settings
    return (this.found ??= oidc
      .discovery(issuer, clientId, clientSecret, undefined, {
        ...(issuer.protocol === 'http:' && { execute: [oidc.allowInsecureRequests] }),
        timeout: 8,
      })
      .catch((error: unknown) => {
        this.found = undefined
        throw error
      }))
  }

  routes(db: Database): Router {
    const router = Router()
    router.get('/directory', async (req, res) => {
      const config = await this.configuration().catch(() => {
        throw new HttpError(503, say('school.noDirectory', { label: this.label }))
      })
      const verifier = oidc.randomPKCECodeVerifier()
      const state = oidc.randomState()
      const nonce = oidc.randomNonce()
      await this.remember(db, req, res, {
        type: 'visit',
        verifier,
        state,
        nonce,
        next: ownPath(req.query.next),
      })
      const url = oidc.buildAuthorizationUrl(config, {
        redirect_uri: this.callbackUrl(req),
        scope: 'openid profile',
        code_challenge: await oidc.calculatePKCECodeChallenge(verifier),
        code_challenge_method: 'S256',
        state,
        nonce,
      })
      res.redirect(url.href)
    })
    router.get('/directory/back', async (req, res) => {
      goOn(res, await this.comeBack(db, req, res))
    })
    return router
  }

  /** Who the directory says it is, as a path of ours to go on at. */
  private async comeBack(db: Database, req: Request, res: Response): Promise<string> {
    const visit = await this.recall(db, req, res)
    if (visit?.type !== 'visit') return '/sign-in?directory=late'
    const claims = await this.claimsOf(visit, req)
    if (!claims) return '/sign-in?directory=refused'
    const known = await userOfSubject(db, this.settings.issuer.href, claims.sub)
    const login = textOf(claims[this.settings.loginClaim]).toLowerCase()
    if (!known) {
      const [taken] = await db.query('select 1 from users where login = $1', [login])
      // Whose account that is, a name alone does not tell: its password is asked for once.
      if (taken) {
        await this.remember(db, req, res, { type: 'link', subject: claims.sub, login })
        return `/sign-in?directory=link&login=${encodeURIComponent(login)}`
      }
    }
    const user = known ?? (await this.addAccount(db, claims, login))
    if (!user) return '/sign-in?directory=unknown'
    const hours = sessionHours[user.role]
    const { token } = await openSession(db, user.id, { hours })
    await noteSignIn(db, user.login, req.ip ?? '', 'directory')
    giveSession(req, res, token, hours)
    await giveDevice(db, req, res, user.id)
    return visit.next
  }

  private async claimsOf(
    { verifier, state, nonce }: Extract<Visit, { type: 'visit' }>,
    req: Request,
  ): Promise<oidc.IDToken | undefined> {
    try {
      const url = new URL(this.callbackUrl(req))
      url.search = new URL(req.originalUrl, url).search
      const tokens = await oidc.authorizationCodeGrant(await this.configuration(), url, {
        pkceCodeVerifier: verifier,
        expectedState: state,
        expectedNonce: nonce,
        idTokenExpected: true,
      })
      return tokens.claims()
    } catch (error) {
      req.log?.warn(
        { type: error instanceof Error ? error.name : 'unknown' },
        'the directory refused a sign-in',
      )
      return undefined
    }
  }

  /** An account for somebody whom the directory has in one of the groups that we were told of. */
  private async addAccount(db: Database, claims: oidc.IDToken, login: string): Promise<User | undefined> {
    const { roleClaim, instructors, students, issuer } = this.settings
    const groups = [claims[roleClaim]].flat().map(textOf)
    const role: Role | undefined = groups.some((group) => instructors.includes(group))
      ? 'instructor'
      : groups.some((group) => students.includes(group))
        ? 'student'
        : undefined
    const account = newAccountSchema
      .pick({ login: true, name: true })
      .safeParse({ login, name: textOf(claims.name) || login })
    if (!role || !account.success) return undefined
    return db.transaction(async (tx) => {
      // Without a password of our own: nobody signs in to it here until one is given.
      const user = await addHashed(tx, account.data, role, false, '')
      await tx.query('insert into identities (issuer, subject, user_id) values ($1, $2, $3)', [
        issuer.href,
        claims.sub,
        user.id,
      ])
      return user
    })
  }

  /** Links an account to who the directory said it was just before, now that its password has been given. */
  async linkPending(db: Database, req: Request, res: Response, user: User): Promise<void> {
    if (!cookieOf(req.headers.cookie, visitCookie)) return
    const visit = await this.recall(db, req, res)
    if (visit?.type !== 'link' || visit.login !== user.login) return
    await db.query(
      `insert into identities (issuer, subject, user_id) values ($1, $2, $3)
       on conflict (issuer, subject) do update set user_id = excluded.user_id, at = now()`,
      [this.settings.issuer.href, visit.subject, user.id],
    )
  }

  private callbackUrl(req: Request): string {
    const base = this.settings.publicUrl ?? `${req.protocol}://${req.host}`
    return `${base.replace(/\/+$/, '')}/api/directory/back`
  }

  private async remember(db: Database, req: Request, res: Response, visit: Visit): Promise<void> {
    const token = newToken()
    await db.query(`delete from directory_visits where at < now() - interval '${visitMinutes} minutes'`)
    await db.query('insert into directory_visits (token_hash, body) values ($1, $2)', [
      hashToken(token),
      JSON.stringify(visit),
    ])
    res.cookie(visitCookie, token, {
      httpOnly: true,
      // The browser comes back from another site.
      sameSite: 'lax',
      secure: req.secure,
      path: '/api',
      maxAge: visitMinutes * 60_000,
    })
  }

  /** What was remembered, once. */
  private async recall(db: Database, req: Request, res: Response): Promise<Visit | undefined> {
    const token = cookieOf(req.headers.cookie, visitCookie)
    res.clearCookie(visitCookie, { path: '/api' })
    const [row] = await db.query<{ body: unknown }>(
      `delete from directory_visits where token_hash = $1 and at > now() - interval '${visitMinutes} minutes' returning body`,
      [hashToken(token ?? '')],
    )
    const read = visitSchema.safeParse(row?.body)
    return read.success ? read.data : undefined
  }
}

const textOf = (value: unknown): string => (typeof value === 'string' ? value.trim().slice(0, 80) : '')

async function userOfSubject(db: Database, issuer: string, subject: string): Promise<User | undefined> {
  const [user] = await db.query<User>(
    `select u.id, u.login, u.name, u.role from identities i join users u on u.id = i.user_id
     where i.issuer = $1 and i.subject = $2`,
    [issuer, subject],
  )
  return user
}

/**
 * A page of ours that goes on by itself: a cookie for our own pages only is not sent where another site has led here, and a
 * redirect would still count as led.
 */
function goOn(res: Response, path: string): void {
  const escaped = path.replace(/[&"<>]/g, (char) => `&#${char.charCodeAt(0)};`)
  res
    .type('html')
    .send(`<!doctype html><title>Brachyon</title><meta http-equiv="refresh" content="0;url=${escaped}">`)
}

/** Whoever this account is in the directory is nobody here any more. */
export const forgetIdentities = (tx: Queries, user: string): Promise<unknown[]> =>
  tx.query('delete from identities where user_id = $1', [user])
