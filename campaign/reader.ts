import { openDatabase } from '../src/server/database'

/** Prints what is in the folder after a cut, as JSON; fails where it does not open. */
const database = await openDatabase({ folder: process.argv[2] ?? '' })
const rows = await database.query<{ n: number }>('select n from kept order by n')
console.log(JSON.stringify(rows.map(({ n }) => n)))
await database.close()
