import type { Queries } from '../database'
import { iso } from '../orders/orders'

/** How somebody came in or did not, for whoever has to find out what happened. */
export type Outcome = 'in' | 'wrong' | 'waits' | 'out' | 'card' | 'directory'

/** Kept for a quarter of a year (`retention`); that somebody has to wait, once in a minute: a stranger's thousand tries are one. */
export async function noteSignIn(
  db: Queries,
  login: string,
  address: string,
  outcome: Outcome,
): Promise<void> {
  await db.query(
    `insert into sign_ins (login, address, outcome)
     select $1, $2, $3 where $3 <> 'waits' or not exists (
       select 1 from sign_ins where login = $1 and address = $2 and outcome = 'waits' and at > now() - interval '1 minute')`,
    [login.trim().toLowerCase().slice(0, 60), address.slice(0, 60), outcome],
  )
}

/** Days for which the record of sign-ins is kept. */
const keptDays = 90

export const forgetOldSignIns = (db: Queries): Promise<unknown[]> =>
  db.query(`delete from sign_ins where at < now() - interval '${keptDays} days'`)

export const removeSignIns = (tx: Queries, login: string): Promise<unknown[]> =>
  tx.query('delete from sign_ins where login = $1', [login])

/** The newest sign-ins, for whoever has to find out what happened. */
export const newestSignIns = (db: Queries) =>
  db.query<{ at: string; login: string; address: string; outcome: string }>(
    `select ${iso('at')} as at, login, address, outcome from sign_ins order by id desc limit 200`,
  )
