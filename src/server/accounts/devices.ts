import type { Queries } from '../database'
import { hashToken, newToken } from './tokens'

/** Days for which a browser is known after the last sign-in there. */
export const deviceDays = 365

/** A browser as the place that tries come from, where this account was signed in to from it before. */
export async function deviceSource(db: Queries, login: string, device: string): Promise<string | undefined> {
  const hash = hashToken(device)
  const rows = await db.query(
    'select 1 from devices d join users u on u.id = d.user_id where d.token_hash = $1 and u.login = $2',
    [hash, login.trim().toLowerCase()],
  )
  return rows.length ? `device ${hash.slice(0, 32)}` : undefined
}

/** Remembers the browser of a sign-in; answers what it is to keep. */
export async function rememberDevice(db: Queries, user: string, device: string | undefined): Promise<string> {
  const token = device && /^[\w-]{43}$/.test(device) ? device : newToken()
  await db.query(
    `insert into devices (token_hash, user_id) values ($1, $2)
     on conflict (token_hash, user_id) do update set seen_at = now()`,
    [hashToken(token), user],
  )
  await db.query(
    `delete from devices where user_id = $1 and seen_at < now() - interval '${deviceDays} days'`,
    [user],
  )
  return token
}

/** No browser is known for this account any more. */
export const forgetDevices = (tx: Queries, user: string): Promise<unknown[]> =>
  tx.query('delete from devices where user_id = $1', [user])
