import { say, type MeterAnswer, type Meters, type NewMeter, type ReadMeter, type User } from '../../contract'
import type { Queries } from '../database'
import { loadOwn } from '../desk'
import { Refusal } from '../refusal'
import { isNear } from './addresses'
import { readMeter, type MeterAddress } from './read-meter'

export const listMeters = (db: Queries): Promise<Meters> =>
  db.query('select id, name, host, port from meters order by name')

export async function addMeter(db: Queries, { name, host, port }: NewMeter): Promise<{ id: string }> {
  if (!isNear(host)) throw new Refusal(422, say('meterFar'))
  const [row] = await db.query<{ id: string }>(
    'insert into meters (name, host, port) values ($1, $2, $3) on conflict (name) do nothing returning id',
    [name, host, port],
  )
  if (!row) throw new Refusal(409, say('meterTaken', { name }))
  return row
}

export const removeMeter = async (db: Queries, id: string): Promise<void> => {
  await db.query('delete from meters where id = $1', [id])
}

export async function meterAddress(db: Queries, id: string): Promise<MeterAddress> {
  const [row] = await db.query<MeterAddress>('select host, port from meters where id = $1', [id])
  if (!row) throw new Refusal(404, say('nothingHere'))
  return row
}

/** One reading of the meter at the station of an order. */
export async function readAtStation(
  db: Queries,
  order: string,
  student: User,
  held: ReadMeter,
): Promise<MeterAnswer> {
  await loadOwn(db, order, student)
  const [row] = await db.query<MeterAddress>(
    'select m.host, m.port from work_orders o join meters m on m.id = o.meter_id where o.id = $1',
    [order],
  )
  return row ? readMeter(row, held) : { trouble: say('noMeter') }
}
