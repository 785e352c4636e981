import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyDatabase } from '../../../test/school'
import { openBeside } from './beside'
import { DatabaseFailure } from './database'
import type { Embedded } from './pglite'

let folder: string
let database: Embedded
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'brachyon-beside-'))
  database = await openBeside(folder, emptyDatabase())
  await database.ready()
  await database.script('create table things (name text primary key, n integer not null check (n >= 0))')
})
afterAll(async () => {
  await database.close()
  rmSync(folder, { recursive: true, force: true })
})
beforeEach(() => database.script('delete from things'))

const names = async () =>
  (await database.query<{ name: string }>('select name from things order by name')).map(({ name }) => name)
const put = (on: Pick<Embedded, 'query'>, name: string, n = 1) =>
  on.query('insert into things values ($1, $2)', [name, n])

describe('the embedded database in a thread of its own', () => {
  it('answers what was asked, each to whoever asked it, however many ask at once', async () => {
    const asked = Array.from({ length: 60 }, (_, n) =>
      database.query<{ twice: number; text: string }>('select $1::int * 2 as twice, $2::text as text', [
        n,
        `t${n}`,
      ]),
    )
    const answers = await Promise.all(asked)
    expect(answers.map(([row]) => row)).toEqual(
      Array.from({ length: 60 }, (_, n) => ({ twice: 2 * n, text: `t${n}` })),
    )
  })

  it('keeps all of a transaction or nothing of it', async () => {
    const back = await database.transaction(async (tx) => {
      await put(tx, 'a')
      await put(tx, 'b')
      return 'both'
    })
    expect(back).toBe('both')
    const why = new Error('changed my mind')
    await expect(
      database.transaction(async (tx) => {
        await put(tx, 'c')
        throw why
      }),
    ).rejects.toBe(why)
    await expect(
      database.transaction(async (tx) => {
        await put(tx, 'd')
        await put(tx, 'a')
      }),
    ).rejects.toThrow(DatabaseFailure)
    expect(await names()).toEqual(['a', 'b'])
  })

  it('lets transactions take turns: none sees half of another', async () => {
    await put(database, 'count', 0)
    const add = () =>
      database.transaction(async (tx) => {
        const [row] = await tx.query<{ n: number }>(`select n from things where name = 'count'`)
        await new Promise((resolve) => setTimeout(resolve, 2))
        await tx.query(`update things set n = $1 where name = 'count'`, [row!.n + 1])
      })
    await Promise.all(Array.from({ length: 12 }, add))
    expect(await database.query('select n from things')).toEqual([{ n: 12 }])
  })

  it('refuses a statement of a transaction that is over', async () => {
    let kept: Pick<Embedded, 'query'> | undefined
    await database.transaction(async (tx) => {
      kept = tx
      await put(tx, 'x')
    })
    await expect(put(kept!, 'late')).rejects.toThrow('over')
    expect(await names()).toEqual(['x'])
  })

  it('says what was broken by code and constraint, and nothing of what was bound', async () => {
    await put(database, 'secret-name')
    const twice = await put(database, 'secret-name').catch((error: unknown) => error)
    expect(twice).toBeInstanceOf(DatabaseFailure)
    expect(twice).toMatchObject({ trouble: 'duplicate', code: '23505', constraint: 'things_pkey' })
    const below = await put(database, 'other', -1).catch((error: unknown) => error)
    expect(below).toMatchObject({ trouble: 'other', code: '23514', constraint: 'things_n_check' })
    const unread = await database.query('select nonsense from nowhere').catch((error: unknown) => error)
    expect(unread).toMatchObject({ trouble: 'other', code: '42P01' })
    expect(String(twice) + JSON.stringify(twice)).not.toContain('secret-name')
    // It goes on after each of them.
    expect(await names()).toEqual(['secret-name'])
  })

  it('hears what is said on a channel until it stops listening', async () => {
    const heard: string[] = []
    const stop = await database.listen('news', (what) => heard.push(what))
    await database.query(`select pg_notify('news', 'one')`)
    await vi.waitFor(() => expect(heard).toEqual(['one']))
    await database
      .transaction(async (tx) => {
        await tx.query(`select pg_notify('news', 'two')`)
        throw new Error('never mind')
      })
      .catch(() => undefined)
    await stop()
    await database.query(`select pg_notify('news', 'three')`)
    await database.query('select 1')
    expect(heard).toEqual(['one'])
  })

  it('leaves the one who asks free while a statement runs', async () => {
    let ticks = 0
    const ticking = setInterval(() => ticks++, 5)
    await database.query('select count(*) from generate_series(1, 1500000)')
    clearInterval(ticking)
    expect(ticks).toBeGreaterThan(5)
  })

  it('counts the syncs that what it promised took', async () => {
    const before = database.syncs()
    await put(database, 'kept')
    expect(database.syncs()).toBeGreaterThan(before)
  })

  it('lets nobody else into its folder, keeps what was acknowledged over a close, and answers nobody after it', async () => {
    await expect(openBeside(folder)).rejects.toThrow(/another|in use|already/i)
    await put(database, 'kept', 7)
    await database.close()
    await expect(database.query('select 1')).rejects.toMatchObject({ trouble: 'unreachable' })
    database = await openBeside(folder)
    expect(await database.query('select * from things')).toEqual([{ name: 'kept', n: 7 }])
  })
})
