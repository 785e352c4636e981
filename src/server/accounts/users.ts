import { randomInt } from 'node:crypto'
import { say } from '../../core/document'
import {
  everybody,
  scopeSchema,
  type NewAccount,
  type Page,
  type Role,
  type Scope,
  type User,
} from '../../contract'
import type { Database, Queries } from '../database'
import { removeOrdersOf } from '../orders/orders'
import { cursorOf, pageFrom, pageSize, readCursor } from '../http/pages'
import { HttpError } from '../http/http-error'
import { schoolName } from '../operations/school-name'
import { checkPassword, hashPassword } from './password-threads'
import { endSessions } from './sessions'
import { checkStrength } from './strength'
import { removeSignIns } from './sign-ins'
import { forgiveTries } from './login-throttle'

/** A user as the contract has it, out of table `t`. */
export const userColumns = (t: string): string =>
  `${t}.id, ${t}.login, ${t}.name, ${t}.role, ${t}.must_change as "mustChange", ${t}.language`

/** Compared against where there is no such account, so that both take as long. */
let nobody: Promise<string> | undefined

/**
 * @param byOther somebody else chose the password: its owner is to change it
 * @throws HttpError 422 where the password is weak, 409 where the sign-in name is taken
 */
export async function addUser(db: Queries, account: NewAccount, role: Role, byOther = false): Promise<User> {
  return addHashed(db, account, role, byOther, await hashOfNew(db, account))
}

/** The hash of a new account's password, once it is found strong enough. Slow: not for use within a transaction. */
export async function hashOfNew(db: Queries, account: NewAccount): Promise<string> {
  await checkStrength(account.password, account, await schoolName(db))
  return hashPassword(account.password)
}

export async function addHashed(
  db: Queries,
  { login, name }: Pick<NewAccount, 'login' | 'name'>,
  role: Role,
  byOther: boolean,
  hash: string,
): Promise<User> {
  const [user] = await db.query<User>(
    `insert into users as u (login, name, role, password_hash, must_change) values ($1, $2, $3, $4, $5)
     on conflict (login) do nothing returning ${userColumns('u')}`,
    [login, name, role, hash, byOther],
  )
  if (!user) throw new HttpError(409, say('school.loginTaken', { login }))
  return user
}

/** Nobody else adds an account until the transaction is over. */
export const lockUsers = (tx: Queries): Promise<unknown[]> =>
  tx.query('lock table users in share row exclusive mode')

export async function anyInstructor(db: Queries): Promise<boolean> {
  return (await db.query(`select 1 from users where role = 'instructor' limit 1`)).length > 0
}

export const students = (db: Queries): Promise<User[]> =>
  db.query<User>(`select ${userColumns('u')} from users u where role = 'student' order by name`)

/** Students by pages in the order of their names: of some people, or all. */
export async function studentsPage(
  db: Queries,
  people: readonly string[] | null,
  after?: string,
): Promise<Page<User>> {
  const cursor = readCursor(after, 2)
  const whose = `u.role = 'student' and ${people ? 'u.id = any($1::uuid[])' : '$1::uuid[] is null'}`
  const [counted] = await db.query<{ count: number }>(
    `select count(*)::int as count from users u where ${whose}`,
    [people],
  )
  const rows = await db.query<User>(
    `select ${userColumns('u')} from users u where ${whose} ${cursor ? 'and (u.name, u.id) > ($2, $3::uuid)' : ''}
     order by u.name, u.id limit ${pageSize + 1}`,
    [people, ...(cursor ?? [])],
  )
  return pageFrom(
    rows,
    pageSize,
    counted!.count,
    (row) => row,
    ({ name, id }) => cursorOf(name, id),
  )
}

/** Whose password this is; undefined where it is wrong, or there is no such account. */
export async function userWithPassword(
  db: Queries,
  login: string,
  password: string,
): Promise<User | undefined> {
  const [row] = await db.query<User & { hash: string }>(
    `select ${userColumns('u')}, password_hash as hash from users u where login = $1`,
    [login.trim().toLowerCase()],
  )
  const compared = row?.hash ?? (await (nobody ??= hashPassword('nobody has this password')))
  const right = await checkPassword(password, compared)
  if (!row || !right) return undefined
  const { hash, ...user } = row
  return hash ? user : undefined
}

export async function chooseLanguage(db: Queries, user: Pick<User, 'id'>, language: string): Promise<void> {
  await db.query('update users set language = $2 where id = $1', [user.id, language])
}

/** Everybody with an account. */
export const people = (db: Queries): Promise<User[]> =>
  db.query<User>(`select ${userColumns('u')} from users u order by role, name`)

async function personOf(db: Queries, id: string): Promise<User & { hash: string }> {
  const [row] = await db.query<User & { hash: string }>(
    `select ${userColumns('u')}, password_hash as hash from users u where id = $1`,
    [id],
  )
  if (!row) throw new HttpError(404, say('school.noPerson'))
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
  if (!(await checkPassword(current, row.hash))) return undefined
  if (current === password) throw new HttpError(422, say('school.samePassword'))
  await checkStrength(password, row, await schoolName(db))
  await db.query('update users set password_hash = $2, must_change = false where id = $1', [
    user.id,
    await hashPassword(password),
  ])
  await endSessions(db, user.id, token)
  return true
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
  await endSessions(db, id)
  await forgiveTries(db, login)
  return password
}

/** The same by sign-in name; undefined where there is no such account. */
export async function givePassword(db: Queries, login: string): Promise<string | undefined> {
  const [row] = await db.query<{ id: string }>('select id from users where login = $1', [
    login.trim().toLowerCase(),
  ])
  return row && resetPassword(db, row.id)
}

/**
 * Forgets where an account signed in from and failed to: nothing of its sign-in name or its addresses is left. Its rows in
 * other tables go with the account itself.
 */
export async function forgetSignIns(tx: Queries, login: string): Promise<void> {
  await removeSignIns(tx, login)
  await forgiveTries(tx, login)
}

/** Takes an account away with all that hangs on it: a student’s orders and what was done on them. */
export async function removeUser(db: Database, id: string, by: User): Promise<void> {
  if (id === by.id) throw new HttpError(409, say('school.notYourself'))
  const { login } = await personOf(db, id)
  await db.transaction(async (tx) => {
    await endSessions(tx, id)
    await removeOrdersOf(tx, id)
    // What an instructor has made stays with the school.
    for (const [table, column] of [
      ['circuits', 'owner_id'],
      ['work_orders', 'instructor_id'],
      ['rubrics', 'instructor_id'],
      ['overrides', 'instructor_id'],
      ['acts', 'instructor_id'],
    ])
      await tx.query(`update ${table} set ${column} = $2 where ${column} = $1`, [id, by.id])
    await forgetSignIns(tx, login)
    await tx.query('delete from users where id = $1', [id])
  })
}

/** The account stays for its marks, whose it was is forgotten: nobody signs in with it any more. */
export async function forgetPerson(tx: Queries, student: string): Promise<void> {
  await tx.query(
    `update users set login = 'former-' || id, name = 'former student', password_hash = '', bench_code_hash = null,
       sourced = null where id = $1`,
    [student],
  )
}

/** People of whom only marks were left, and now nothing is, are gone. */
export const removeFormer = (db: Queries): Promise<unknown[]> =>
  db.query(
    `delete from users u where login like 'former-%' and role = 'student'
       and not exists (select 1 from work_orders o where o.student_id = u.id)`,
  )

/** A student as a roster has them; another system's own number stays where this one has none. */
export const renameStudent = (
  tx: Queries,
  id: string,
  name: string,
  sourced: string | undefined,
): Promise<unknown[]> =>
  tx.query('update users set name = $2, sourced = coalesce($3, sourced) where id = $1', [
    id,
    name,
    sourced ?? null,
  ])

/** A student out of a roster, with a password that is to be changed. */
export async function addFromRoster(
  tx: Queries,
  login: string,
  name: string,
  sourced: string | undefined,
  hash: string,
): Promise<string> {
  const [row] = await tx.query<{ id: string }>(
    `insert into users (login, name, role, password_hash, must_change, sourced) values ($1, $2, 'student', $3, true, $4)
     returning id`,
    [login, name, hash, sourced ?? null],
  )
  return row!.id
}

/** Keeps the hash of a student's code for a bench; false where there is no such student. */
export async function setBenchCode(db: Queries, id: string, hash: string): Promise<boolean> {
  const rows = await db.query(
    `update users set bench_code_hash = $2 where id = $1 and role = 'student' returning id`,
    [id, hash],
  )
  return rows.length > 0
}

/** The classes and people that an instructor looked at last; everybody where none were chosen. */
export async function lastScope(db: Queries, id: string): Promise<Scope> {
  const [row] = await db.query<{ scope: unknown }>('select scope from users where id = $1', [id])
  const read = scopeSchema.safeParse(row?.scope)
  return read.success ? read.data : everybody
}

export const keepScope = (db: Queries, id: string, scope: Scope): Promise<unknown[]> =>
  db.query('update users set scope = $2 where id = $1', [id, JSON.stringify(scope)])
