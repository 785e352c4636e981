import { randomInt } from 'node:crypto'
import { say } from '../../core/document'
import type { Queries } from '../database'
import { HttpError } from '../http/http-error'
import { checkPassword, hashPassword } from './password-threads'
import { setBenchCode } from './users'

/**
 * Gives a student a new code for signing in at a bench, told once: six digits. Guesses are slowed, and it opens no more
 * than one bench's orders of one day.
 * @throws HttpError 404 where there is no such student
 */
export async function newBenchCode(db: Queries, id: string): Promise<string> {
  const code = String(randomInt(1_000_000)).padStart(6, '0')
  if (!(await setBenchCode(db, id, await hashPassword(code))))
    throw new HttpError(404, say('school.noPerson'))
  return code
}

/** Whether it is this person's code; false where they have none. */
export async function isBenchCode(db: Queries, id: string, code: string): Promise<boolean> {
  const [row] = await db.query<{ hash: string | null }>(
    'select bench_code_hash as hash from users where id = $1',
    [id],
  )
  return row?.hash ? checkPassword(code.replace(/\D/g, ''), row.hash) : false
}
