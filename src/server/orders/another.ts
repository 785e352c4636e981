import { randomInt } from 'node:crypto'
import { say } from '../../core/document'
import { type User } from '../../contract'
import { complaintWords, faultsLike, usualHints } from '../../core/attempt'
import { tellFor } from '../words'
import { loadReleased } from './desk'
import type { Database } from '../database'
import { handOut, readyOrder } from './hand-out'
import { HttpError } from '../http/http-error'
import type { Workers } from '../workers/pool'

/** Faults that are tried until one of them has a symptom. */
const mostTries = 12

/** A practice like an order whose review was given back: the same circuit and family of fault, another place. */
export async function another(
  database: Database,
  workers: Workers,
  id: string,
  student: User,
): Promise<{ id: string }> {
  const order = await loadReleased(database, id, student)
  const [row] = await database.query<{
    circuit_id: string | null
    instructor_id: string
    open: string | null
  }>(
    `select circuit_id, instructor_id,
       (select o.id from current_orders o where o.like_of = w.id and o.concluded_at is null limit 1) as open
     from current_orders w where id = $1`,
    [id],
  )
  // One at a time: what is open already is what was asked for.
  if (row?.open) return { id: row.open }
  const like = faultsLike(order.circuit, order.planted)
  for (let n = 0; n < mostTries && like.length; n++) {
    // Drawn among the likest third first.
    const [fault] = like.splice(randomInt(Math.max(1, Math.ceil(like.length / 3))), 1)
    const complaint = await workers.draft({ circuit: order.circuit, planted: [fault!] })
    if (!complaint.length) continue
    const ready = await readyOrder(
      database,
      workers,
      {
        circuit: row?.circuit_id ?? '',
        complaint: tellFor(student)(complaintWords(order.circuit, complaint)!),
        faults: [fault!],
        frame: {
          ...order.frame,
          faults: 1,
          source: 'model',
          mode: 'practice',
          hints: usualHints,
          limit: null,
          complaint,
        },
      },
      order.circuit,
    )
    const instructor = { id: row!.instructor_id }
    const out = [{ order: { ...ready, likeOf: id }, students: [student.id] }]
    const [made] = await handOut(database, workers, out, instructor)
    // Asked for twice at once, the other one was first: its order is the one.
    return { id: made?.id ?? (await openLike(database, id)) }
  }
  throw new HttpError(409, say('school.noneLike'))
}

async function openLike(database: Database, id: string): Promise<string> {
  const [row] = await database.query<{ id: string }>(
    'select id from current_orders where like_of = $1 and concluded_at is null',
    [id],
  )
  if (!row) throw new HttpError(503, say('school.tooBusy'))
  return row.id
}
