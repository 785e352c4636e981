import { parseArgs } from 'node:util'
import { openDatabase } from '../src/server/database'
import { loadDemo } from '../src/server/demo/demo'
import { grow } from './grown'

/**
 * A school with five years behind it, the same from the same seed; into an empty database only:
 * npm run grow -- [--students 1000] [--classes 40] [--attempts 50000] [--steps 30] [--each 4] [--lessons 8] [--seed 1]
 *   [--data FOLDER | --postgres URL]
 */
const { values } = parseArgs({
  options: {
    students: { type: 'string', default: '1000' },
    classes: { type: 'string', default: '40' },
    attempts: { type: 'string', default: '50000' },
    steps: { type: 'string', default: '30' },
    each: { type: 'string', default: '4' },
    lessons: { type: 'string' },
    seed: { type: 'string', default: '1' },
    data: { type: 'string', default: 'data/grown' },
    postgres: { type: 'string' },
  },
})
const began = performance.now()
const told = (what: string) => console.log(`${((performance.now() - began) / 1000).toFixed(0)} s: ${what}`)
const where = values.postgres ? { url: values.postgres } : { folder: values.data }
const database = await openDatabase(where, loadDemo)
await grow(
  database,
  {
    students: Number(values.students),
    classes: Number(values.classes),
    attempts: Number(values.attempts),
    steps: Number(values.steps),
    each: Number(values.each),
    ...(values.lessons && { lessons: Number(values.lessons) }),
    seed: Number(values.seed),
  },
  told,
)
const [counted] = await database.query<{ steps: number }>('select count(*)::int as steps from steps')
told(`${counted!.steps} steps in ${values.postgres ?? values.data}`)
await database.close()
process.exit(0)
