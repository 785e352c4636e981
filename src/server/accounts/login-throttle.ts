import { say } from '../../core/document'
import type { Database, Queries } from '../database'
import { HttpError } from '../http/http-error'

/** Wrong tries that nobody waits for, and the longest that anybody does, seconds. */
const free = 5
const longest = 900
/** Tries of one account from one place that may be under way at once; more are told to wait. */
const mostAtOnce = 20
/** Wrong tries are forgotten after a day without another. */
const forgotten = '1 day'

/** Whose secret is tried, and from where: a device that is known for the account, or an address. */
export interface Attempt {
  readonly account: string
  readonly source: string
}

const shape = (account: string): string => account.trim().toLowerCase().slice(0, 60)

/** The last try under way of each account from each place: one is looked at after the other, so that many at once learn no more. */
const turns = new Map<string, { readonly last: Promise<unknown>; readonly count: number }>()

/**
 * Looks at a secret, unless this account has to wait at this place: after five wrong tries each further one waits twice as
 * long as the one before. A stranger's wrong tries slow the stranger, not the account's owner elsewhere. Counted in the
 * database, so that a restart or another server process does not begin anew. Right ones, however many, are never counted.
 * @param look undefined where the secret is wrong
 * @throws HttpError 429 where it has to wait
 */
export async function lookInTurn<T>(
  db: Database,
  attempt: Attempt,
  look: () => Promise<T | undefined>,
): Promise<T | undefined> {
  const own = { account: shape(attempt.account), source: attempt.source }
  const name = `${own.account} ${own.source}`
  const before = turns.get(name)
  if (before && before.count >= mostAtOnce)
    throw new HttpError(429, say('school.waitForAccount', { seconds: 5 }))
  const mine = (before?.last ?? Promise.resolve()).catch(() => undefined).then(() => lookOnce(db, own, look))
  const settled = mine.catch(() => undefined)
  turns.set(name, { last: settled, count: (before?.count ?? 0) + 1 })
  void settled.then(() => {
    const now = turns.get(name)!
    if (now.count === 1) turns.delete(name)
    else turns.set(name, { ...now, count: now.count - 1 })
  })
  return mine
}

/** Seconds to wait after so many wrong tries. */
const waitAfter = (wrong: number): number =>
  wrong < free ? 0 : Math.min(longest, 2 ** Math.min(20, wrong - free))

async function lookOnce<T>(
  db: Database,
  { account, source }: Attempt,
  look: () => Promise<T | undefined>,
): Promise<T | undefined> {
  // A last try that lies in the future was made by a clock that was wrong: nobody waits for it.
  const [row] = await db.query<{ wrong: number; since: number }>(
    `select wrong, extract(epoch from now() - last_at)::float8 as since from wrong_tries
     where account = $1 and source = $2`,
    [account, source],
  )
  const wait = row && row.since >= 0 ? Math.ceil(waitAfter(row.wrong) - row.since) : 0
  if (wait > 0) throw new HttpError(429, say('school.waitForAccount', { seconds: wait }))
  const found = await look()
  if (found !== undefined) {
    if (row) await db.query('delete from wrong_tries where account = $1 and source = $2', [account, source])
    return found
  }
  await db.query(`delete from wrong_tries where last_at < now() - interval '${forgotten}' or last_at > now()`)
  await db.query(
    `insert into wrong_tries (account, source, wrong) values ($1, $2, 1)
     on conflict (account, source) do update set wrong = wrong_tries.wrong + 1, last_at = now()`,
    [account, source],
  )
  return undefined
}

/** Forgets all wrong tries of an account: it has a new password, or is gone. */
export const forgiveTries = (db: Queries, account: string): Promise<unknown> =>
  db.query('delete from wrong_tries where account = $1', [shape(account)])
