import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase } from '../src/server/database'
import { times } from './small'

/** Milliseconds that a commit takes in memory, and on the disk with its sync before the answer: one at a time and eight at once. */
async function storage(line: (what: string, value: string) => void): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-bench-'))
  const each = async (where: { folder?: string }, lanes: number): Promise<number> => {
    const database = await openDatabase(where)
    await database.query('create table if not exists kept (n integer)')
    const rounds = times(40)
    const start = performance.now()
    for (let i = 0; i < rounds; i++)
      await Promise.all(
        Array.from({ length: lanes }, () =>
          database.transaction((tx) => tx.query('insert into kept values (1)')),
        ),
      )
    const took = performance.now() - start
    await database.close()
    return took / (rounds * lanes)
  }
  const memory = await each({}, 1)
  const alone = await each({ folder }, 1)
  const together = await each({ folder }, 8)
  rmSync(folder, { recursive: true, force: true })
  const ms = (value: number) => `${value.toFixed(2)} ms`
  line(
    'a commit: synced before it is answered / in memory',
    `${(alone / memory).toFixed(1)} ×  (${ms(alone)} / ${ms(memory)})`,
  )
  line(
    'a commit of eight at once: synced / in memory',
    `${(together / memory).toFixed(1)} ×  (${ms(together)})`,
  )
}

await storage((what, value) => console.log(`${what.padEnd(70)} ${value}`))
