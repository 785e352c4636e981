import { createHash } from 'node:crypto'
import type { Rubric } from '../../core/assessment'
import type { Order } from '../../core/attempt'
import { writeWords, say } from '../../core/document'
import { describeFault } from '../../core/faults'
import type { Difficulty } from '../../core/learning'
import { often, type Queries } from '../database'
import { engineCode } from '../judging/engine-code'
import type { Stopping, Workers } from '../workers/pool'

/** Table `difficulties`: how hard an order is before anybody has tried it, worked out once. */

const hashOf = ({ circuit, planted, frame }: Order): string =>
  createHash('sha256')
    .update(
      JSON.stringify([engineCode, circuit, planted, frame.meter, frame.faults, frame.complaint, frame.bag]),
    )
    .digest('hex')

/** The faults of an order as the records name them. */
export const faultText = ({ circuit, planted }: Pick<Order, 'circuit' | 'planted'>): string =>
  writeWords(
    planted.length ? planted.map((fault) => describeFault(circuit, fault)) : [say('readings.soundCircuit')],
  )

/** How hard an order is, where that has been worked out. */
export async function knownDifficulty(db: Queries, order: Order): Promise<Difficulty | undefined> {
  const [known] = await db.query<Difficulty>(
    often('select difficulty, spread, reasons from difficulties where hash = $1'),
    [hashOf(order)],
  )
  return known
}

/** How hard an order is, worked out now where it has not been; null where nothing is planted. */
export async function computedDifficulty(
  db: Queries,
  workers: Workers,
  order: Order,
  { thresholds }: Pick<Rubric, 'thresholds'>,
  stopping: Stopping = {},
): Promise<Difficulty | null> {
  if (!order.planted.length) return null
  const known = await knownDifficulty(db, order)
  if (known) return known
  const made = await workers.difficulty({ order, thresholds }, stopping)
  await db.query(
    `insert into difficulties (hash, circuit, fault, difficulty, spread, reasons) values ($1, $2, $3, $4, $5, $6)
     on conflict (hash) do nothing`,
    [
      hashOf(order),
      order.circuit.name,
      faultText(order),
      made.difficulty,
      made.spread,
      JSON.stringify(made.reasons),
    ],
  )
  return made
}
