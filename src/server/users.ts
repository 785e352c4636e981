import { createHash, randomBytes } from 'node:crypto'
import { say, type NewAccount, type Role, type User } from '../contract'
import type { Queries } from './database'
import { checkPassword, hashPassword } from './passwords'
import { Refusal } from './refusal'

const columns = 'id, login, name, role'
const hashToken = (token: string) => createHash('sha256').update(token).digest('hex')
/** Compared against when there is no such login, so that both take as long. */
const nobody = hashPassword('nobody has this password')

export const sessionDays = 14

export async function addUser(db: Queries, account: NewAccount, role: Role): Promise<User> {
  const [user] = await db.query<User>(
    `insert into users (login, name, role, password_hash) values ($1, $2, $3, $4)
     on conflict (login) do nothing returning ${columns}`,
    [account.login, account.name, role, await hashPassword(account.password)],
  )
  if (!user) throw new Refusal(409, say('loginTaken', { login: account.login }))
  return user
}

export async function anyInstructor(db: Queries): Promise<boolean> {
  return (await db.query(`select 1 from users where role = 'instructor' limit 1`)).length > 0
}

export const students = (db: Queries): Promise<User[]> =>
  db.query<User>(`select ${columns} from users where role = 'student' order by name`)

/** A session's token if the password is right, else undefined. Only its hash is stored. */
export async function signIn(
  db: Queries,
  login: string,
  password: string,
): Promise<{ user: User; token: string } | undefined> {
  const [row] = await db.query<User & { password_hash: string }>(
    `select ${columns}, password_hash from users where login = $1`,
    [login.trim().toLowerCase()],
  )
  const right = await checkPassword(password, row?.password_hash ?? (await nobody))
  if (!row || !right) return undefined
  const token = randomBytes(32).toString('base64url')
  await db.query(
    `insert into sessions (token_hash, user_id, expires_at) values ($1, $2, now() + $3 * interval '1 day')`,
    [hashToken(token), row.id, sessionDays],
  )
  await db.query('delete from sessions where expires_at < now()')
  return { user: { id: row.id, login: row.login, name: row.name, role: row.role }, token }
}

export async function userOfToken(db: Queries, token: string | undefined): Promise<User | undefined> {
  if (!token) return undefined
  const [user] = await db.query<User>(
    `select u.id, u.login, u.name, u.role from sessions s join users u on u.id = s.user_id
     where s.token_hash = $1 and s.expires_at > now()`,
    [hashToken(token)],
  )
  return user
}

export async function signOut(db: Queries, token: string): Promise<void> {
  await db.query('delete from sessions where token_hash = $1', [hashToken(token)])
}
