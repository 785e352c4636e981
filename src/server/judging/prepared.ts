import { createHash } from 'node:crypto'
import { LRUCache } from 'lru-cache'
import type { Prepared, Rubric } from '../../core/assessment'
import type { Order } from '../../core/attempt'
import type { Circuit } from '../../core/circuit'
import type { Queries } from '../database'
import type { Stopping, Workers } from '../workers/pool'
import { engineCode } from './engine-code'

/** Table `prepared`: what is believed after a complaint, worked out once, by a digest of all that it follows from. */

/** Days without a look at it after which it is forgotten: whoever asks then works it out again. */
const forgottenAfter = 60

const digests = new WeakMap<Circuit, string>()
function digestOf(circuit: Circuit): string {
  const known = digests.get(circuit)
  if (known) return known
  const digest = createHash('sha256').update(JSON.stringify(circuit)).digest('hex')
  digests.set(circuit, digest)
  return digest
}
/** What a class works at in one lesson, a few times over; each database has its own. */
const kept = new WeakMap<Queries, LRUCache<string, Prepared>>()
function beliefsOf(db: Queries): LRUCache<string, Prepared> {
  const known = kept.get(db) ?? new LRUCache<string, Prepared>({ max: 200 })
  kept.set(db, known)
  return known
}

/** What is believed after the complaint, as it was kept, or worked out and kept now. */
export async function prepared(
  db: Queries,
  workers: Workers,
  { circuit, planted, frame, spares }: Order,
  { thresholds }: Pick<Rubric, 'thresholds'>,
  stopping: Stopping = {},
): Promise<Prepared> {
  const hash = createHash('sha256')
    .update(digestOf(circuit))
    .update(
      JSON.stringify([
        engineCode,
        planted,
        frame.meter,
        frame.faults,
        frame.complaint,
        frame.bag,
        thresholds,
      ]),
    )
    .digest('hex')
  const beliefs = beliefsOf(db)
  const known = beliefs.get(hash)
  if (known) return known
  // Looked at once a day, it stays.
  const [found] = await db.query<{ body: Prepared; stale: boolean }>(
    `select body, at < now() - interval '1 day' as stale from prepared where hash = $1`,
    [hash],
  )
  if (found) {
    if (found.stale) await db.query('update prepared set at = now() where hash = $1', [hash])
    beliefs.set(hash, found.body)
    return found.body
  }
  const made = await workers.prepare({ order: { circuit, planted, frame, spares }, thresholds }, stopping)
  await db.query('insert into prepared (hash, body) values ($1, $2) on conflict (hash) do nothing', [
    hash,
    JSON.stringify(made),
  ])
  beliefs.set(hash, made)
  return made
}

/** Forgets what nobody has asked for in a long time. */
export const forgetPrepared = (db: Queries): Promise<unknown[]> =>
  db.query(`delete from prepared where at < now() - interval '${forgottenAfter} days'`)
