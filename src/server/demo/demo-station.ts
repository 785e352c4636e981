import { readCircuit } from '../../core/editing'
import type { Fault } from '../../core/faults'
import { serveStandIn } from '../../meter/serve'
import type { User } from '../../contract'
import type { Database } from '../database'
import { handOut, readyOrder } from '../orders/hand-out'
import { placeMeter } from '../meters/meters'
import type { Workers } from '../workers/pool'

const station = 'Bench 1, stand-in meter'
const worksWithIt = 'idris'
const usualPort = 5025
const planted: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1.5 }

/**
 * The demo’s own station: a stand-in meter on a simulated board, and an order that is worked with it, so that the whole
 * story can be told without hardware.
 */
export async function startDemoStation(database: Database, workers: Workers): Promise<void> {
  const [row] = await database.query<{ id: string; document: unknown }>(
    `select id, document from circuits where document->>'name' = $1 limit 1`,
    ['Work lamp, street sweeper'],
  )
  const [student] = await database.query<User>('select id, login, name, role from users where login = $1', [
    worksWithIt,
  ])
  const [instructor] = await database.query<User>(
    `select id, login, name, role from users where role = 'instructor' order by created_at limit 1`,
  )
  const read = row && readCircuit(row.document)
  if (!row || !student || !instructor || !read?.ok) return
  const board = { circuit: read.value, planted: [planted], seed: 7 }
  // Another program may have the usual port: any other does as well.
  const server = await serveStandIn(board, usualPort).catch(() => serveStandIn(board, 0))
  server.unref()
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : usualPort
  const meter = await placeMeter(database, { name: station, host: '127.0.0.1', port })
  const [there] = await database.query('select 1 from work_orders where meter_id = $1 limit 1', [meter])
  if (there) return
  const order = await readyOrder(database, workers, {
    circuit: row.id,
    complaint: 'The work lamp is weak. This order is worked on bench 1, with its meter.',
    faults: [planted],
    frame: { mode: 'practice', source: 'meter', hints: { where: 1, side: 2, test: 4 } },
    meter,
  })
  await handOut(database, workers, [{ order, students: [student.id] }], instructor)
}
