import { say } from '../../core/document'
import { type User } from '../../contract'
import type { Queries } from '../database'
import { HttpError } from './http-error'

/** Days for which it is remembered what was done. */
const remembered = 7

/** An act of somebody, under a key that the page has made for it. */
export interface KeyedAct {
  readonly key: string
  readonly user: Pick<User, 'id'>
}

/**
 * Does something once, however often it is asked for under the same key: a second request waits for the first and gets its
 * answer. To be called within the transaction that does it; without a key it is simply done.
 * @throws HttpError 409 where the key is somebody else's
 */
export async function once<T>(tx: Queries, act: KeyedAct | undefined, work: () => Promise<T>): Promise<T> {
  if (!act) return work()
  const { key, user } = act
  await tx.query(`delete from done_requests where at < now() - interval '${remembered} days'`)
  const [mine] = await tx.query(
    'insert into done_requests (key, user_id) values ($1, $2) on conflict (key) do nothing returning key',
    [key, user.id],
  )
  if (!mine) {
    const [row] = await tx.query<{ answer: T }>(
      'select answer from done_requests where key = $1 and user_id = $2',
      [key, user.id],
    )
    if (!row) throw new HttpError(409, say('school.thereAlready'))
    return row.answer
  }
  const answer = await work()
  if (answer !== undefined)
    await tx.query('update done_requests set answer = $2 where key = $1', [key, JSON.stringify(answer)])
  return answer
}
