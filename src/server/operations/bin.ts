import type { User } from '../../contract'
import type { Database, Queries } from '../database'
import { forgetGone, removeOrders } from '../orders'

/** Days for which work lies in the bin before it is gone. */
export const binDays = 30
/** Orders that are moved in one transaction: others' statements wait for it. */
const atOnce = 40

/** Tables whose rows go with a work order. */
const tablesOfOrder = async (db: Queries): Promise<string[]> =>
  (
    await db.query<{ name: string }>(
      `select conrelid::regclass::text as name from pg_constraint
       where confrelid = 'work_orders'::regclass and contype = 'f' and confdeltype = 'c' order by 1`,
    )
  ).map(({ name }) => name)

/** Moves work that is older than a moment into the bin, in slices; answers how much there was. */
export async function binOlderThan(db: Database, before: string): Promise<number> {
  const tables = await tablesOfOrder(db)
  const rows = tables
    .map(
      (table) =>
        `'${table}', (select coalesce(jsonb_agg(to_jsonb(t)), '[]') from ${table} t where t.work_order_id = o.id)`,
    )
    .join()
  let count = 0
  for (;;) {
    const moved = await db.transaction(async (tx) => {
      const ids = await tx.query<{ id: string }>(
        `select id from work_orders where coalesce(concluded_at, created_at) < $1
         order by coalesce(concluded_at, created_at) limit ${atOnce} for update`,
        [before],
      )
      const list = ids.map(({ id }) => id)
      await tx.query(
        `insert into bin (work_order_id, student_id, rows)
         select o.id, o.student_id, jsonb_build_object('work_orders', jsonb_build_array(to_jsonb(o)), ${rows})
         from work_orders o where o.id = any($1::uuid[])
         on conflict (work_order_id) do update set rows = excluded.rows, at = now()`,
        [list],
      )
      await removeOrders(tx, list)
      return list.length
    })
    count += moved
    if (moved < atOnce) return count
  }
}

/** Erases for good what has lain in the bin long enough. Only with a clock that is trusted. */
export async function emptyBin(db: Queries): Promise<number> {
  const gone = await db.query(
    `delete from bin where at < now() - interval '${binDays} days' returning work_order_id`,
  )
  return gone.length
}

/** Erases what lies there of one student. */
export const forgetBinned = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from bin where student_id = $1', [student])

/**
 * Puts everything in the bin back where it was. What it belonged to and is gone meanwhile, such as a lesson, is left out.
 * @param by who is named where an instructor is gone
 */
export async function restoreBin(db: Database, by: Pick<User, 'id'>): Promise<number> {
  let count = 0
  for (;;) {
    const restored = await db.transaction(async (tx) => {
      const binned = await tx.query<{ id: string }>(
        `select work_order_id as id from bin order by at limit ${atOnce} for update`,
      )
      const ids = binned.map(({ id }) => id)
      if (!ids.length) return 0
      await tx.query('set constraints all deferred')
      for (const table of ['work_orders', ...(await tablesOfOrder(tx))])
        await tx.query(
          `insert into ${table} overriding system value
           select r.* from bin b, jsonb_populate_recordset(null::${table}, b.rows->'${table}') r
           where b.work_order_id = any($1::uuid[])`,
          [ids],
        )
      await mendReferences(tx, ids, by)
      await tx.query('delete from bin where work_order_id = any($1::uuid[])', [ids])
      return ids.length
    })
    count += restored
    if (restored < atOnce) return count
  }
}

async function mendReferences(tx: Queries, ids: readonly string[], by: Pick<User, 'id'>): Promise<void> {
  await forgetGone(tx, ids)
  for (const [table, key] of [
    ['work_orders', 'id'],
    ['overrides', 'work_order_id'],
    ['acts', 'work_order_id'],
  ])
    await tx.query(
      `update ${table} t set instructor_id = $2 where t.${key} = any($1::uuid[]) and t.instructor_id is not null
         and not exists (select 1 from users u where u.id = t.instructor_id)`,
      [ids, by.id],
    )
}
