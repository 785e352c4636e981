import { randomInt } from 'node:crypto'
import { say, type NewAccount, type Role, type User } from '../../contract'
import type { Database, Queries } from '../database'
import { Refusal } from '../refusal'
import { schoolName } from '../school-name'
import { checkPassword, hashPassword } from './password-threads'
import { endSessions } from './sessions'
import { checkStrength } from './strength'
import { forgiveTries } from './throttle'

/** A user as the contract has it, out of table `t`. */
export const userColumns = (t: string): string =>
  `${t}.id, ${t}.login, ${t}.name, ${t}.role, ${t}.must_change as "mustChange", ${t}.language`

/** Compared against where there is no such account, so that both take as long. */
let nobody: Promise<string> | undefined

/**
 * @param byOther somebody else chose the password: its owner is to change it
 * @throws Refusal 422 where the password is weak, 409 where the sign-in name is taken
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
  if (!user) throw new Refusal(409, say('loginTaken', { login }))
  return user
}

export async function anyInstructor(db: Queries): Promise<boolean> {
  return (await db.query(`select 1 from users where role = 'instructor' limit 1`)).length > 0
}

export const students = (db: Queries): Promise<User[]> =>
  db.query<User>(`select ${userColumns('u')} from users u where role = 'student' order by name`)

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
  if (!(await checkPassword(current, row.hash))) return undefined
  if (current === password) throw new Refusal(422, say('samePassword'))
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
  await tx.query('delete from sign_ins where login = $1', [login])
  await forgiveTries(tx, login)
}

/** Takes an account away with all that hangs on it: a student’s orders and what was done on them. */
export async function removeUser(db: Database, id: string, by: User): Promise<void> {
  if (id === by.id) throw new Refusal(409, say('notYourself'))
  const { login } = await personOf(db, id)
  await db.transaction(async (tx) => {
    await endSessions(tx, id)
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
    await forgetSignIns(tx, login)
    await tx.query('delete from users where id = $1', [id])
  })
}
