import { type Message, say } from '../../core/document'
import { type MeterAnswer, type Meters, type NewMeter, type ReadMeter, type User } from '../../contract'
import type { Queries } from '../database'
import { loadOwn } from '../orders/desk'
import { HttpError } from '../http/http-error'
import { mayBeMeter, type MeterPlaces } from './addresses'
import { askName, readMeter, type MeterAddress } from './read-meter'

export const listMeters = (db: Queries): Promise<Meters> =>
  db.query('select id, name, host, port from meters order by name')

export async function addMeter(
  db: Queries,
  { name, host, port }: NewMeter,
  places: MeterPlaces,
): Promise<{ id: string }> {
  if (!mayBeMeter(host, places)) throw new HttpError(422, say('school.meterFar'))
  const [row] = await db.query<{ id: string }>(
    'insert into meters (name, host, port) values ($1, $2, $3) on conflict (name) do nothing returning id',
    [name, host, port],
  )
  if (!row) throw new HttpError(409, say('school.meterTaken', { name }))
  return row
}

/** A meter under a name, wherever it is now. */
export async function placeMeter(db: Queries, { name, host, port }: NewMeter): Promise<string> {
  const [row] = await db.query<{ id: string }>(
    `insert into meters (name, host, port) values ($1, $2, $3)
     on conflict (name) do update set host = excluded.host, port = excluded.port returning id`,
    [name, host, port],
  )
  return row!.id
}

export const removeMeter = async (db: Queries, id: string): Promise<void> => {
  await db.query('delete from meters where id = $1', [id])
}

async function meterAddress(db: Queries, id: string): Promise<MeterAddress> {
  const [row] = await db.query<MeterAddress>('select host, port from meters where id = $1', [id])
  if (!row) throw new HttpError(404, say('school.nothingHere'))
  return row
}

/** One reading of the meter at the station of an order. */
export async function readAtStation(
  db: Queries,
  order: string,
  student: User,
  held: ReadMeter,
  places: MeterPlaces,
): Promise<MeterAnswer> {
  await loadOwn(db, order, student)
  const [row] = await db.query<MeterAddress>(
    'select m.host, m.port from current_orders o join meters m on m.id = o.meter_id where o.id = $1',
    [order],
  )
  return row ? alone(row, places, () => readMeter(row, held)) : { trouble: say('school.noMeter') }
}

/** Who answers at a meter's address. */
export async function nameOfMeter(db: Queries, id: string, places: MeterPlaces) {
  const address = await meterAddress(db, id)
  return alone(address, places, () => askName(address))
}

/** Those that are asked just now: a meter takes one connection at a time, and nobody knocks at many doors by us. */
const asked = new Map<string, Promise<unknown>>()
const mostWaiting = 4
const waiting = new Map<string, number>()

/** One connection to an address at a time; an address that may not be a meter's is not asked at all. */
async function alone<T>(
  { host, port }: MeterAddress,
  places: MeterPlaces,
  work: () => Promise<T>,
): Promise<T | { trouble: Message }> {
  if (!mayBeMeter(host, places)) return { trouble: say('school.meterFar') }
  const key = `${host} ${port}`
  const count = waiting.get(key) ?? 0
  if (count >= mostWaiting) throw new HttpError(503, say('school.tooBusy'))
  waiting.set(key, count + 1)
  const mine = (asked.get(key) ?? Promise.resolve()).then(work, work)
  asked.set(key, mine)
  try {
    return await mine
  } finally {
    const left = waiting.get(key)! - 1
    if (left) waiting.set(key, left)
    else {
      waiting.delete(key)
      asked.delete(key)
    }
  }
}
