import { say } from '../contract'
import type { Database, Queries } from './database'
import { Refusal } from './refusal'

/** Wrong tries that nobody waits for, and the longest that anybody does, seconds. */
const free = 5
const longest = 900

const shape = (login: string): string => login.trim().toLowerCase().slice(0, 60)

/** The last try under way at each account: one is looked at after the other, so that many at once learn no more. */
const turns = new Map<string, Promise<unknown>>()

/**
 * Looks at a password, unless its account has to wait: after five wrong ones each further one waits twice as long as the one
 * before, at this account alone. Counted where the accounts are, so that a restart or another server process does not begin
 * anew. Right ones, however many at once, are never counted.
 * @param look undefined where the password is wrong
 */
export async function lookInTurn<T>(
  db: Database,
  login: string,
  look: () => Promise<T | undefined>,
): Promise<T | undefined> {
  const name = shape(login)
  const before = turns.get(name) ?? Promise.resolve()
  const mine = before.catch(() => undefined).then(() => lookOnce(db, name, look))
  const settled = mine.catch(() => undefined)
  turns.set(name, settled)
  void settled.then(() => turns.get(name) === settled && turns.delete(name))
  return mine
}

async function lookOnce<T>(
  db: Database,
  name: string,
  look: () => Promise<T | undefined>,
): Promise<T | undefined> {
  const [row] = await db.query<{ wait: number }>(
    'select extract(epoch from until - now())::float8 as wait from tries where login = $1',
    [name],
  )
  const wait = Math.ceil(row?.wait ?? 0)
  if (wait > 0) throw new Refusal(429, say('waitForAccount', { seconds: wait }))
  const found = await look()
  if (found !== undefined) await forgiveTries(db, name)
  else
    await db.query(
      `insert into tries (login, wrong) values ($1, 1) on conflict (login) do update set
         wrong = tries.wrong + 1,
         until = case when tries.wrong + 1 >= ${free}
           then now() + least(power(2, tries.wrong + 1 - ${free}), ${longest}) * interval '1 second' else now() end`,
      [name],
    )
  return found
}

/** A right password clears its account. */
export const forgiveTries = (db: Queries, login: string): Promise<unknown> =>
  db.query('delete from tries where login = $1', [shape(login)])

/** Kept for a quarter, for whoever has to find out what happened. */
export async function noteSignIn(
  db: Queries,
  login: string,
  address: string,
  outcome: 'in' | 'wrong' | 'waits' | 'out' | 'card',
): Promise<void> {
  await db.query('insert into sign_ins (login, address, outcome) values ($1, $2, $3)', [
    shape(login),
    address.slice(0, 60),
    outcome,
  ])
  await db.query(`delete from sign_ins where at < now() - interval '90 days'`)
}

export interface SignIn {
  readonly at: string
  readonly login: string
  readonly address: string
  readonly outcome: string
}
