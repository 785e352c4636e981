import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { allTables } from '../../test/every-table'
import { startSchool, type School } from '../../test/school'

const folder = fileURLToPath(new URL('.', import.meta.url))
const sources = readdirSync(folder, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .map((file) => ({ file: file.replaceAll('\\', '/'), text: readFileSync(`${folder}${file}`, 'utf8') }))

/** The demo school’s term comes as a whole, with times of its own: it fills the tables as a restore does. */
const fillsAll = ['demo/term.ts', 'demo/term-rows.ts']

describe('the tables', () => {
  let school: School
  beforeAll(async () => {
    school = await startSchool({ demo: false })
  }, 60_000)
  afterAll(() => school.close())

  it('have one module each that writes them', async () => {
    const writers = new Map<string, string[]>()
    for (const table of await allTables(school.database)) {
      const writes = new RegExp(`\\b(insert into|update|delete from) ${table}\\b`)
      const files = sources
        .filter(({ file, text }) => !fillsAll.includes(file) && writes.test(text))
        .map(({ file }) => file)
      if (files.length !== 1) writers.set(table, files)
    }
    expect([...writers]).toEqual([])
  })

  it('of work are read without what lies in the bin, but for where all of it is meant', async () => {
    const reads = /\b(from|join) (work_orders|attempt_results)\b/
    const files = sources.filter(({ text }) => reads.test(text)).map(({ file }) => file)
    expect(files.sort()).toEqual([
      'accounts/users.ts',
      'demo/demo-station.ts',
      'ledger/student-export.ts',
      'operations/clock.ts',
      'operations/retention.ts',
      'orders/acts.ts',
      'orders/orders.ts',
      'orders/replies.ts',
    ])
    // It is written by its own module too, whichever name it is written under.
    const writes = /\b(insert into|update|delete from) current_(orders|results)\b/
    expect(sources.filter(({ text }) => writes.test(text)).map(({ file }) => file)).toEqual([
      'orders/orders.ts',
    ])
    // What is read instead has every column but the one that says so.
    for (const [table, view] of [
      ['work_orders', 'current_orders'],
      ['attempt_results', 'current_results'],
    ]) {
      const columns = async (name: string) =>
        (
          await school.database.query<{ name: string }>(
            'select column_name as name from information_schema.columns where table_name = $1 order by 1',
            [name],
          )
        ).map(({ name }) => name)
      expect(await columns(view!)).toEqual((await columns(table!)).filter((name) => name !== 'binned_at'))
    }
  })

  it('are no business of the files that take requests', () => {
    const asking = sources.filter(
      ({ file, text }) =>
        /(^|\/)routes(\/|\.ts$)/.test(file) && /\.query\(|\b(select|insert into|delete from) \w/.test(text),
    )
    expect(asking.map(({ file }) => file)).toEqual([])
  })

  it('are found from whatever their rows belong to: every foreign key has an index that begins with it', async () => {
    const bare = await school.database.query<{ key: string }>(
      `select c.conname as key from pg_constraint c
       where c.contype = 'f' and c.connamespace = 'public'::regnamespace and not exists (
         select 1 from pg_index i where i.indrelid = c.conrelid and i.indpred is null and i.indkey[0] = c.conkey[1])
       order by 1`,
    )
    expect(bare.map(({ key }) => key)).toEqual([])
  })
})
