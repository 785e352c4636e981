import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { randomBytes } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startPostgres } from '../../../test/postgres.mjs'
import { emptyDatabase } from '../../../test/school'
import { openDatabase, type Database, type Queries } from '.'
import { limited, reportedAfter } from './limited'

describe('a transaction that stays open', () => {
  afterEach(() => vi.useRealTimers())

  it('is reported after five seconds by where it was begun, and ended at its limit', async () => {
    vi.useFakeTimers()
    const reports: string[] = []
    const forever = limited(
      () => new Promise<never>(() => undefined),
      { longest: 9 },
      (where) => reports.push(where),
    )
    forever.catch(() => undefined)
    await vi.advanceTimersByTimeAsync(1000 * reportedAfter - 10)
    expect(reports).toEqual([])
    await vi.advanceTimersByTimeAsync(20)
    expect(reports).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(5000)
    await expect(forever).rejects.toMatchObject({ trouble: 'slow' })
  })

  it('is not reported where it is done in time, and its own error is told', async () => {
    vi.useFakeTimers()
    const report = vi.fn()
    expect(await limited(() => Promise.resolve(7), {}, report)).toBe(7)
    const wrong = new Error('no')
    await expect(limited(() => Promise.reject(wrong), {}, report)).rejects.toBe(wrong)
    await expect(
      limited(
        () => {
          throw wrong
        },
        {},
        report,
      ),
    ).rejects.toBe(wrong)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(report).not.toHaveBeenCalled()
  })
})

const postgres = startPostgres()
const folder = mkdtempSync(join(tmpdir(), 'brachyon-limited-'))
afterAll(() => {
  postgres.stop()
  rmSync(folder, { recursive: true, force: true })
})

describe.each([
  ['in memory', () => openDatabase({ image: emptyDatabase() })],
  ['in a thread of its own', () => openDatabase({ folder, image: emptyDatabase() })],
  ['on a server', () => openDatabase({ url: postgres.url })],
] as const)('a transaction of a database %s ends', (_, open) => {
  let db: Database
  beforeAll(async () => {
    db = await open()
  }, 60_000)
  afterAll(() => db.close())
  const put = (on: Queries, name: string) =>
    on.query(`insert into facts (name, body) values ($1, '')`, [name])
  const names = async () =>
    (await db.query<{ name: string }>('select name from facts order by name')).map(({ name }) => name)

  it('where its work throws at once, later, or never ends; others go on after each', async () => {
    const wrong = new Error('refused')
    await expect(
      db.transaction(() => {
        throw wrong
      }),
    ).rejects.toBe(wrong)
    await expect(
      db.transaction(async (tx) => {
        await put(tx, 'thrown')
        throw wrong
      }),
    ).rejects.toBe(wrong)
    let kept: Queries | undefined
    const hung = db.transaction(
      async (tx) => {
        kept = tx
        await put(tx, 'hung')
        await new Promise(() => undefined)
      },
      { longest: 0.3 },
    )
    await expect(hung).rejects.toMatchObject({ trouble: 'slow' })
    await put(db, 'after')
    expect(await names()).toEqual(['after'])
    // What comes too late changes nothing.
    await put(kept!, 'late').catch(() => undefined)
    expect((await names()).filter((name) => name !== 'late')).toEqual(['after'])
    await db.query('delete from facts')
  })

  it('with what is wrong by its kind: double, gone, unfit', async () => {
    await put(db, 'one')
    await expect(put(db, 'one')).rejects.toMatchObject({ trouble: 'duplicate' })
    await expect(
      db.query('insert into class_members (class_id, user_id) values (gen_random_uuid(), gen_random_uuid())'),
    ).rejects.toMatchObject({ trouble: 'gone' })
    for (const [sql, value] of [
      ['select * from lesson_versions where version = $1', 3e9],
      [`insert into lab_days (name, day, body) values ('x', $1, '{}')`, '0000-01-01'],
      [`insert into classes (name) values ($1)`, randomBytes(9000).toString('base64')],
    ] as const)
      await expect(db.query(sql, [value]), sql).rejects.toMatchObject({ trouble: 'unfit' })
    await db.query('delete from facts')
  })
})
