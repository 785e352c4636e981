import type { Database, Queries } from '../database'
import { binResults } from '../judging/results'
import { binOrders, eraseBinned, forgetGone, takeOutOfBin } from '../orders/orders'

/** Days for which work lies in the bin before it is gone. */
export const binDays = 30
/** Orders that are handled in one transaction: others' statements wait for it. */
const atOnce = 100
/** Orders that are erased, or brought back with all their rows, in one transaction. */
const withRows = 20

/** Does something with one slice after the other until a slice is not full; answers how much there was. */
async function bySlices(most: number, one: () => Promise<number>): Promise<number> {
  let count = 0
  for (;;) {
    const done = await one()
    count += done
    if (done < most) return count
  }
}

/** Puts work that is older than a moment into the bin, in slices; answers how much there was. */
export const binOlderThan = (db: Database, before: string): Promise<number> =>
  bySlices(atOnce, () =>
    db.transaction(async (tx) => {
      const ids = await binOrders(tx, before, atOnce)
      await binResults(tx, ids, true)
      return ids.length
    }),
  )

/** Puts everything in the bin back where it was; answers how much there was. */
export const restoreBin = (db: Database): Promise<number> =>
  bySlices(atOnce, () =>
    db.transaction(async (tx) => {
      const ids = await takeOutOfBin(tx, atOnce)
      await binResults(tx, ids, false)
      return ids.length
    }),
  )

/** Erases for good what has lain in the bin long enough. Only with a clock that is trusted. */
export const emptyBin = (db: Queries): Promise<number> =>
  bySlices(withRows, () => eraseBinned(db, `${binDays} days`, withRows))

/** Table `bin`: work as a Brachyon of before put it there, which packed it into one row. */

/** Erases what is packed there of one student. */
export const forgetPacked = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from bin where student_id = $1', [student])

/** Tables whose rows go with a work order. */
const tablesOfOrder = async (db: Queries): Promise<string[]> =>
  (
    await db.query<{ name: string }>(
      `select conrelid::regclass::text as name from pg_constraint
       where confrelid = 'work_orders'::regclass and contype = 'f' and confdeltype = 'c' order by 1`,
    )
  ).map(({ name }) => name)

/**
 * Unpacks what a Brachyon of before, or a backup of one, has in its bin: it lies in today's bin then. What it belonged to and
 * is gone meanwhile, such as a lesson, is left out.
 */
export const unpackBin = (db: Database): Promise<number> =>
  bySlices(withRows, () =>
    db.transaction(async (tx) => {
      const packed = await tx.query<{ id: string }>(
        `select work_order_id as id from bin where jsonb_exists(rows, 'work_orders') order by at limit ${withRows} for update`,
      )
      const ids = packed.map(({ id }) => id)
      if (!ids.length) return 0
      await tx.query('set constraints all deferred')
      for (const table of ['work_orders', ...(await tablesOfOrder(tx))])
        await tx.query(
          `insert into ${table} overriding system value
           select one.* from bin b, jsonb_array_elements(b.rows->'${table}') r,
             jsonb_populate_record(null::${table}, r || jsonb_build_object('binned_at', b.at)) one
           where b.work_order_id = any($1::uuid[])`,
          [ids],
        )
      await forgetGone(tx, ids)
      for (const [table, key] of [
        ['work_orders', 'id'],
        ['overrides', 'work_order_id'],
        ['acts', 'work_order_id'],
      ])
        await tx.query(
          `update ${table} t set instructor_id = (select id from users where role = 'instructor' order by login limit 1)
           where t.${key} = any($1::uuid[]) and t.instructor_id is not null
             and not exists (select 1 from users u where u.id = t.instructor_id)`,
          [ids],
        )
      await tx.query('delete from bin where work_order_id = any($1::uuid[])', [ids])
      return ids.length
    }),
  )
