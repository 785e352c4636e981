import type { Queries } from '../database'

/** How somebody came in or did not, for whoever has to find out what happened. */
export type Outcome = 'in' | 'wrong' | 'waits' | 'out' | 'card' | 'directory'

/** Kept for a quarter of a year (`retention`). */
export async function noteSignIn(
  db: Queries,
  login: string,
  address: string,
  outcome: Outcome,
): Promise<void> {
  await db.query('insert into sign_ins (login, address, outcome) values ($1, $2, $3)', [
    login.trim().toLowerCase().slice(0, 60),
    address.slice(0, 60),
    outcome,
  ])
}
