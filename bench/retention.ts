import { parseArgs } from 'node:util'
import { openDatabase } from '../src/server/database'
import { binOlderThan } from '../src/server/operations/bin'

/**
 * What it takes to put a grown school's oldest month into the bin, and how long others wait meanwhile. The school is another
 * afterwards: npx tsx bench/retention.ts --data FOLDER | --postgres URL
 */
const { values } = parseArgs({ options: { data: { type: 'string' }, postgres: { type: 'string' } } })
const db = await openDatabase(
  values.postgres ? { url: values.postgres } : { folder: values.data ?? 'data/grown' },
)
const [oldest] = await db.query<{ before: string }>(
  `select (min(concluded_at) + interval '1 month')::text as before from work_orders`,
)
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
const count = await binOlderThan(db, oldest!.before)
const took = performance.now() - began
over = true
await others
console.log(
  `${values.postgres ? 'PostgreSQL' : 'PGlite'}: ${count} pieces of work into the bin in ${(took / 1000).toFixed(2)} s; others waited ${Math.max(...waits).toFixed(0)} ms at most`,
)
await db.close()
process.exit(0)
