import { createHash, randomBytes, randomInt } from 'node:crypto'
import { say, type NewAccount, type Role, type User } from '../contract'
import type { Database, Queries } from './database'
import { checkPassword, hashPassword } from './passwords'
import { Refusal } from './refusal'
import { checkStrength } from './strength'
import { forgiveTries } from './tries'

const columns = 'id, login, name, role, must_change as "mustChange", language'
const hashToken = (token: string) => createHash('sha256').update(token).digest('hex')
/** Compared against when there is no such login, so that both take as long. */
const nobody = hashPassword('nobody has this password')

export const sessionDays = 14

/** @param byOther somebody else chose the password: its owner is to change it */
export async function addUser(db: Queries, account: NewAccount, role: Role, byOther = false): Promise<User> {
  checkStrength(account.password, account)
  const [user] = await db.query<User>(
    `insert into users (login, name, role, password_hash, must_change) values ($1, $2, $3, $4, $5)
     on conflict (login) do nothing returning ${columns}`,
    [account.login, account.name, role, await hashPassword(account.password), byOther],
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
  return openSession(db, row.id, { hours: 24 * sessionDays })
}

/** A new session of an account. One that came of a bench's card is not asked for its password. */
export async function openSession(
  db: Queries,
  id: string,
  { hours, byCard = false }: { readonly hours: number; readonly byCard?: boolean },
): Promise<{ user: User; token: string }> {
  const token = randomBytes(32).toString('base64url')
  await db.query(
    `insert into sessions (token_hash, user_id, expires_at, by_card) values ($1, $2, now() + $3 * interval '1 hour', $4)`,
    [hashToken(token), id, hours, byCard],
  )
  await db.query('delete from sessions where expires_at < now()')
  const user = await userOfToken(db, token)
  if (!user) throw new Refusal(404, say('noPerson'))
  return { user, token }
}

export async function userOfToken(db: Queries, token: string | undefined): Promise<User | undefined> {
  if (!token) return undefined
  const [user] = await db.query<User>(
    `select u.id, u.login, u.name, u.role, (u.must_change and not s.by_card) as "mustChange", u.language from sessions s join users u on u.id = s.user_id
     where s.token_hash = $1 and s.expires_at > now()`,
    [hashToken(token)],
  )
  return user
}

export async function chooseLanguage(db: Queries, user: Pick<User, 'id'>, language: string): Promise<void> {
  await db.query('update users set language = $2 where id = $1', [user.id, language])
}

export async function signOut(db: Queries, token: string): Promise<void> {
  await db.query('delete from sessions where token_hash = $1', [hashToken(token)])
}

/** Everybody with an account. */
export const people = (db: Queries): Promise<User[]> =>
  db.query<User>(`select ${columns} from users order by role, name`)

async function personOf(db: Queries, id: string): Promise<User & { password_hash: string }> {
  const [row] = await db.query<User & { password_hash: string }>(
    `select ${columns}, password_hash from users where id = $1`,
    [id],
  )
  if (!row) throw new Refusal(404, say('noPerson'))
  return row
}

/** Changes one’s own password, and ends every other session of the account; undefined where the present one is wrong. */
export async function changePassword(
  db: Queries,
  user: User,
  { current, password }: { readonly current: string; readonly password: string },
  token: string,
): Promise<true | undefined> {
  const row = await personOf(db, user.id)
  if (!(await checkPassword(current, row.password_hash))) return undefined
  if (current === password) throw new Refusal(422, say('samePassword'))
  checkStrength(password, row)
  await db.query('update users set password_hash = $2, must_change = false where id = $1', [
    user.id,
    await hashPassword(password),
  ])
  await endOthers(db, user.id, token)
  return true
}

/** Ends every session of an account but the one with `token`. */
export async function endOthers(db: Queries, id: string, token: string): Promise<void> {
  await db.query('delete from sessions where user_id = $1 and token_hash <> $2', [id, hashToken(token)])
}

/** Words of four to six letters of the workshop’s world, easily read out; drawn by chance they make passphrases. */
const words =
  'amber anvil apron arrow bench bolt brass brick bridge broom brush cable cedar chain chalk clamp clay cloud coal copper cork crane dome drum dust eagle ember felt fern flint fork frost gate glass grain gravel grit hammer hatch hinge horn iron ivory joint kettle ladder lamp latch ledge lemon lever linen lock maple meadow metal mill mint moss nail needle north oak ocean olive orbit paint panel paper pearl pebble pedal pine pipe plank plate plum pond pulley quartz rail rain relay ridge river rivet road robin rope rust saddle salt sand scale screw shelf shoe silver slate sledge sleeve snow solder spade spark spindle spoon spring steel stone storm stove strap straw swan table thorn tiger tile timber tin torch tower train truss tulip valve velvet wagon walnut water wedge wheel willow wind window wire wool yard'.split(
    ' ',
  )

/** So many of them by chance. */
export const wordsOf = (count: number): string[] =>
  Array.from({ length: count }, () => words[randomInt(words.length)]!)

/** A passphrase by chance: four words and a number, about 35 bits beside the slowing of wrong tries. */
export const madeUp = (): string => [...wordsOf(4), String(randomInt(10, 100))].join('-')

/** Gives somebody a new password, told once; all sessions of the account end, and its wrong tries are forgotten. */
export async function resetPassword(db: Queries, id: string): Promise<string> {
  const { login } = await personOf(db, id)
  const password = madeUp()
  await db.query('update users set password_hash = $2, must_change = true where id = $1', [
    id,
    await hashPassword(password),
  ])
  await db.query('delete from sessions where user_id = $1', [id])
  await forgiveTries(db, login)
  return password
}

/** Takes an account away with all that hangs on it: a student’s orders and what was done on them. */
export async function removeUser(db: Database, id: string, by: User): Promise<void> {
  if (id === by.id) throw new Refusal(409, say('notYourself'))
  await personOf(db, id)
  await db.transaction(async (tx) => {
    await tx.query('delete from work_orders where student_id = $1', [id])
    // What an instructor has made stays with the school.
    for (const [table, column] of [
      ['circuits', 'owner_id'],
      ['work_orders', 'instructor_id'],
      ['rubrics', 'instructor_id'],
      ['overrides', 'instructor_id'],
      ['acts', 'instructor_id'],
    ])
      await tx.query(`update ${table} set ${column} = $2 where ${column} = $1`, [id, by.id])
    await tx.query('delete from users where id = $1', [id])
  })
}
