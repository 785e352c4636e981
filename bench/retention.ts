import { parseArgs } from 'node:util'
import { openDatabase } from '../src/server/database'
import { binDays, binOlderThan, emptyBin, restoreBin, unpackBin } from '../src/server/operations/bin'

/**
 * What it takes to put a grown school's oldest month into the bin, to bring it back, and to erase it, and how long others wait
 * meanwhile. The school has a month less afterwards: npx tsx bench/retention.ts --data FOLDER | --postgres URL
 */
const { values } = parseArgs({ options: { data: { type: 'string' }, postgres: { type: 'string' } } })
const db = await openDatabase(
  values.postgres ? { url: values.postgres } : { folder: values.data ?? 'data/grown' },
)

async function measure(what: string, work: () => Promise<number>): Promise<void> {
  let over = false
  const waits: number[] = []
  const others = (async () => {
    while (!over) {
      const began = performance.now()
      await db.query('select count(*) from users')
      waits.push(performance.now() - began)
      await new Promise((done) => setTimeout(done, 10))
    }
  })()
  const began = performance.now()
  const count = await work()
  const took = performance.now() - began
  over = true
  await others
  console.log(
    `${values.postgres ? 'PostgreSQL' : 'PGlite'}: ${count} pieces of work ${what} in ${(took / 1000).toFixed(2)} s; others waited ${Math.max(...waits).toFixed(0)} ms at most`,
  )
}

await measure('of a Brachyon of before unpacked', () => unpackBin(db))
const [oldest] = await db.query<{ before: string }>(
  `select (min(concluded_at) + interval '1 month')::text as before from current_orders`,
)
await measure('into the bin', () => binOlderThan(db, oldest!.before))
await measure('back from it', () => restoreBin(db))
await measure('into the bin again', () => binOlderThan(db, oldest!.before))
await db.query(
  `update work_orders set binned_at = now() - interval '${binDays + 1} days' where binned_at is not null`,
)
await measure('erased', () => emptyBin(db))
await db.close()
process.exit(0)
