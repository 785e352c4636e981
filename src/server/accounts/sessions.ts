import { say } from '../../core/document'
import { type User } from '../../contract'
import { often, type Queries } from '../database'
import { HttpError } from '../http/http-error'
import { hashToken, newToken } from './tokens'
import { userColumns } from './users'

/** Hours that a session lasts: a student's for a working day, at a computer that others use; an instructor's for two weeks. */
export const sessionHours = { student: 12, instructor: 24 * 14 } as const

/** Who asks, and by which session. Where that is for one bench only, the user says so. */
export interface Visitor {
  readonly user: User
  readonly session: string
}

/** A new session of an account. One that came of a bench's card is not asked to change its password. */
export async function openSession(
  db: Queries,
  id: string,
  { hours, bench }: { readonly hours: number; readonly bench?: User['bench'] },
): Promise<Visitor & { readonly token: string }> {
  const token = newToken()
  await db.query(
    `insert into sessions (token_hash, user_id, expires_at, bench) values ($1, $2, now() + $3 * interval '1 hour', $4)`,
    [hashToken(token), id, hours, bench ? JSON.stringify(bench) : null],
  )
  await db.query('delete from sessions where expires_at < now()')
  const visitor = await visitorOf(db, token)
  if (!visitor) throw new HttpError(404, say('school.noPerson'))
  return { ...visitor, token }
}

/** A session that began in the future was made by a clock that was wrong: it would last for as long as that was ahead. */
const stands = `s.expires_at > now() and s.begun_at < now() + interval '10 minutes'`

export async function visitorOf(db: Queries, token: string | undefined): Promise<Visitor | undefined> {
  if (!token) return undefined
  const [row] = await db.query<User & { session: string }>(
    often(`select ${userColumns('u')}, s.id as session, s.bench from sessions s join users u on u.id = s.user_id
     where s.token_hash = $1 and ${stands}`),
    [hashToken(token)],
  )
  if (!row) return undefined
  const { session, ...user } = row
  // At a bench nobody is asked for a password of their own.
  return { user: user.bench ? { ...user, mustChange: false } : user, session }
}

/** Which of these sessions still stand. */
export async function standingSessions(db: Queries, sessions: readonly string[]): Promise<Set<string>> {
  const rows = await db.query<{ id: string }>(
    `select s.id from sessions s where s.id = any($1::uuid[]) and ${stands}`,
    [sessions],
  )
  return new Set(rows.map(({ id }) => id))
}

/** The channel on which every server process hears that sessions have ended. */
export const endedChannel = 'sessions'
/** Tells every process once the transaction is through: what these sessions keep open is closed. */
const tellEnded = (db: Queries) => db.query('select pg_notify($1, $2)', [endedChannel, 'ended'])

export async function signOut(db: Queries, token: string): Promise<void> {
  await db.query('delete from sessions where token_hash = $1', [hashToken(token)])
  await tellEnded(db)
}

/** Ends all sessions of an account, but for the one with `token`. */
export async function endSessions(db: Queries, id: string, token = ''): Promise<void> {
  await db.query('delete from sessions where user_id = $1 and token_hash <> $2', [id, hashToken(token)])
  await tellEnded(db)
}

/** How many other sessions an account has. */
export async function otherSessions(db: Queries, id: string, session: string): Promise<number> {
  const [row] = await db.query<{ count: number }>(
    `select count(*)::int as count from sessions s where user_id = $1 and id <> $2 and ${stands}`,
    [id, session],
  )
  return row!.count
}
