import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import lockfile from 'proper-lockfile'
import { openDatabase, often } from '.'
import { emptyDatabase } from '../../../test/school'

it('keeps what was written, rolls back what failed, and lets nobody else into its folder', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-db-'))
  const first = await openDatabase({ folder, image: emptyDatabase() })
  expect(await lockfile.check(folder, { lockfilePath: join(folder, 'in-use.lock') })).toBe(true)
  await first.query(`insert into users (login, name, role, password_hash) values ($1, $2, 'student', '')`, [
    'a',
    "Robert'); drop table users;--",
  ])
  await expect(
    first.transaction(async (tx) => {
      await tx.query('delete from users')
      throw new Error('stop')
    }),
  ).rejects.toThrow('stop')
  await first.close()
  const second = await openDatabase({ folder, image: emptyDatabase() })
  expect(await second.query('select name from users')).toEqual([{ name: "Robert'); drop table users;--" }])
  await second.close()
  rmSync(folder, { recursive: true })
}, 60_000)

it('keeps a statement that is asked for often: bound anew each time, alone or within a transaction, after an error too', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-db-'))
  const db = await openDatabase({ folder, image: emptyDatabase() })
  const add = often(`insert into facts (name, body) values ($1, coalesce($2, '-')) returning name, body`)
  const among = often(
    'select name from facts where name = any($1::text[]) and ($2::int is null or length(name) = $2)',
  )
  expect(await db.query(add, ['a', null])).toEqual([{ name: 'a', body: '-' }])
  expect(await db.query(add, ['bb', 'it"s, {here}'])).toEqual([{ name: 'bb', body: 'it"s, {here}' }])
  await expect(db.query(add, ['a', 'again'])).rejects.toMatchObject({ trouble: 'duplicate' })
  await expect(
    db.transaction(async (tx) => {
      expect(await tx.query(add, ['c', '1'])).toHaveLength(1)
      await tx.query(add, ['a', '2'])
    }),
  ).rejects.toMatchObject({ trouble: 'duplicate' })
  // Parsed for the first time in a transaction that failed, it is there all the same.
  await expect(
    db.transaction(async (tx) => {
      expect(await tx.query(among, [['a', 'bb', 'c'], null])).toEqual([{ name: 'a' }, { name: 'bb' }])
      throw new Error('stop')
    }),
  ).rejects.toThrow('stop')
  expect(await db.query(among, [['a', 'bb', 'c'], 2])).toEqual([{ name: 'bb' }])
  await expect(db.query(often('select nothing from nowhere'))).rejects.toMatchObject({ code: '42P01' })
  expect(await db.query(among, [['a'], 1])).toEqual([{ name: 'a' }])
  // Each waits for the transaction before it.
  const slow = db.transaction(async (tx) => {
    await tx.query(add, ['d', '1'])
    await new Promise((done) => setTimeout(done, 50))
    await tx.query(`delete from facts where name = 'd'`)
  })
  const beside = db.query(among, [['d'], null])
  await slow
  expect(await beside).toEqual([])
  await db.close()
  rmSync(folder, { recursive: true })
}, 60_000)

it.each(['beside', 'in memory'])(
  'writes nothing for a transaction that is over, %s',
  async (how) => {
    const folder = mkdtempSync(join(tmpdir(), 'brachyon-db-'))
    const db = await openDatabase({ ...(how === 'beside' && { folder }), image: emptyDatabase() })
    const add = often('insert into facts (name, body) values ($1, $2)')
    let late: Promise<unknown> = Promise.resolve()
    const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))
    await expect(
      db.transaction(
        async (tx) => {
          await tx.query(add, ['early', '-'])
          late = wait(400).then(() => tx.query(add, ['late', '-']))
          late.catch(() => undefined)
          await wait(1000)
        },
        { longest: 0.1 },
      ),
    ).rejects.toMatchObject({ trouble: 'slow' })
    await expect(late).rejects.toThrow()
    expect(await db.query(`select name from facts where name in ('early', 'late')`)).toEqual([])
    await db.close()
    rmSync(folder, { recursive: true })
  },
  60_000,
)

it('makes room where rows were', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-db-'))
  const db = await openDatabase({ folder, image: emptyDatabase() })
  const fill = async () => {
    await db.query(
      `insert into facts (name, body) select 'row ' || n, repeat('x', 500) from generate_series(1, 2000) n`,
    )
    await db.query(`delete from facts where name like 'row %'`)
    const [row] = await db.query<{ size: number }>(`select pg_relation_size('facts')::int as size`)
    return row!.size
  }
  const once = await fill()
  expect(await fill()).toBeGreaterThan(1.5 * once)
  await db.tidy()
  expect(await fill()).toBeLessThanOrEqual(once)
  await db.close()
  rmSync(folder, { recursive: true })
}, 60_000)
