import { openDatabase } from '../src/server/database'

/** Commits numbered rows into the folder that it is given, several at once, and says each as soon as it is acknowledged. */
const database = await openDatabase({ folder: process.argv[2] ?? '' }, (db) =>
  db.query('create table if not exists kept (n integer primary key)').then(() => undefined),
)
console.log('ready')
let next = Number(process.argv[3] ?? 0)
const lane = async (): Promise<never> => {
  for (;;) {
    const n = next++
    await database.transaction((tx) => tx.query('insert into kept values ($1)', [n]))
    console.log(String(n))
  }
}
await Promise.all(Array.from({ length: 8 }, lane))
