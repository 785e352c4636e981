import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { startPostgres } from '../../../test/postgres.mjs'
import { program } from '../../../test/program'
import { emptyDatabase } from '../../../test/school'
import { openDatabase } from '.'
import { DurableFiles } from './durable-files'
import { openPglite, type Embedded } from './pglite'

let folder: string
const inNewFolder = () => {
  folder = mkdtempSync(join(tmpdir(), 'brachyon-durable-'))
}
const folderGone = () => rmSync(folder, { recursive: true, force: true })

describe('what is acknowledged', () => {
  let database: Embedded
  beforeAll(async () => {
    inNewFolder()
    database = await openPglite(folder, emptyDatabase())
    await database.ready()
    await database.query('create table kept (n integer)')
  })
  afterAll(async () => {
    await database.close()
    folderGone()
  })
  it('is on the disk first: nobody is answered before the sync of what the commit wrote', async () => {
    let release = (): void => undefined
    const held = new Promise<void>((resolve) => (release = resolve))
    const real = DurableFiles.prototype.settle
    const settle = vi.spyOn(DurableFiles.prototype, 'settle').mockImplementation(async function (
      this: DurableFiles,
    ) {
      await held
      return real.call(this)
    })
    let answered = false
    const commit = database
      .transaction((tx) => tx.query('insert into kept values (1)'))
      .then(() => (answered = true))
    await vi.waitFor(() => expect(settle).toHaveBeenCalled())
    await new Promise((resolve) => setTimeout(resolve, 50))
    expect(answered).toBe(false)
    release()
    await commit
    settle.mockRestore()
  }, 60_000)

  it('is synced once for all commits that come together, and each time for those that do not', async () => {
    const before = database.syncs()
    for (let n = 0; n < 5; n++) await database.query('insert into kept values ($1)', [n])
    expect(database.syncs() - before).toBeGreaterThanOrEqual(5)
    const between = database.syncs()
    await Promise.all(
      Array.from({ length: 40 }, (_, n) => database.query('insert into kept values ($1)', [n])),
    )
    expect(database.syncs() - between).toBeLessThan(40)
  }, 60_000)

  it('that a sync cannot be made for is an error, never an answer', async () => {
    vi.spyOn(DurableFiles.prototype, 'settle').mockRejectedValueOnce(
      Object.assign(new Error('no'), { code: 'ENOSPC' }),
    )
    await expect(database.query('insert into kept values (1)')).rejects.toMatchObject({ trouble: 'full' })
    vi.restoreAllMocks()
  }, 60_000)
})

describe('a log file that a checkpoint has recycled', () => {
  beforeEach(inNewFolder)
  afterEach(folderGone)
  type Inner = { sync: (path: string, descriptor: number | undefined) => void }
  const name = (n: number) => `pg_wal/${String(n).padStart(24, '0')}`
  const inside = () => {
    mkdirSync(join(folder, 'pg_wal'), { recursive: true })
    for (const n of [1, 2]) writeFileSync(join(folder, name(n)), 'log')
    writeFileSync(join(folder, 'table'), 'data')
    return new DurableFiles(folder, false)
  }
  const write = (files: DurableFiles, path: string) =>
    (files as unknown as Inner).sync(`/pglite/data/${path}`, undefined)

  it('is waited for no more: neither by an answer nor by what is written next', async () => {
    const files = inside()
    write(files, name(1))
    rmSync(join(folder, name(1)))
    await files.settle()
    write(files, name(2))
    rmSync(join(folder, name(2)))
    expect(() => write(files, 'table')).not.toThrow()
    // A data file that is not there is another matter.
    expect(() => write(files, 'elsewhere')).toThrow('ENOENT')
  })
})

describe('a first start that is cut off', () => {
  beforeEach(inNewFolder)
  afterEach(folderGone)
  it('begins anew at the next', async () => {
    await expect(
      openDatabase({ folder, image: emptyDatabase() }, async (db) => {
        await db.query(
          `insert into users (login, name, role, password_hash) values ('half', 'Half', 'student', '')`,
        )
        throw new Error('cut')
      }),
    ).rejects.toThrow('cut')
    expect(existsSync(join(folder, 'first-start'))).toBe(true)
    // As a cut leaves it: files that make no sense.
    writeFileSync(join(folder, 'pg', 'PG_VERSION'), '')
    const next = await openDatabase({ folder, image: emptyDatabase() })
    expect(await next.query('select login from users')).toEqual([])
    expect(existsSync(join(folder, 'first-start'))).toBe(false)
    await next.close()
  }, 60_000)

  it('keeps everything of a start that was complete', async () => {
    const add = (login: string) =>
      `insert into users (login, name, role, password_hash) values ('${login}', 'x', 'student', '')`
    const first = await openDatabase({ folder, image: emptyDatabase() }, (db) =>
      db.query(add('one')).then(() => undefined),
    )
    await first.query(add('two'))
    await first.close()
    const next = await openDatabase({ folder, image: emptyDatabase() })
    expect(await next.query('select login from users order by login')).toEqual([
      { login: 'one' },
      { login: 'two' },
    ])
    await next.close()
  }, 60_000)
})

describe('migrations', () => {
  it('take turns where two processes start at once on an empty database', async () => {
    const postgres = startPostgres()
    try {
      const both = await Promise.all([1, 2, 3].map(() => openDatabase({ url: postgres.url })))
      const names = await both[0]!.query<{ name: string }>('select name from migrations')
      expect(new Set(names.map((n) => n.name)).size).toBe(names.length)
      await both[0]!.query(`insert into migrations (name) values ('999-of-tomorrow.sql')`)
      for (const one of both) await one.close()
      await expect(openDatabase({ url: postgres.url })).rejects.toThrow(/newer Brachyon.*999-of-tomorrow/)
    } finally {
      postgres.stop()
    }
  }, 60_000)
})

describe('a start that cannot be', () => {
  beforeEach(inNewFolder)
  afterEach(folderGone)
  const start = (env: NodeJS.ProcessEnv) =>
    spawnSync(process.execPath, program('main'), {
      env: { ...process.env, BRACHYON_DATA: folder, ...env },
      encoding: 'utf8',
      timeout: 40_000,
    })

  it.each<[string, NodeJS.ProcessEnv, RegExp]>([
    ['a PORT that is none', { PORT: '70000' }, /^PORT is “70000”: it must be a whole number from 0 to 65535/],
    [
      'a folder that is a file',
      { PORT: '0', BRACHYON_DATA: '/dev/null/x' },
      /^The data folder .* cannot be written/,
    ],
    [
      'a PostgreSQL that is not there',
      { PORT: '0', DATABASE_URL: 'postgresql://x@127.0.0.1:9/none' },
      /^The PostgreSQL server that DATABASE_URL names cannot be reached/,
    ],
    [
      'a proxy that is none',
      { PORT: '0', TRUST_PROXY: 'everybody' },
      /^TRUST_PROXY is “everybody”: it must be/,
    ],
    [
      'half a directory',
      { PORT: '0', OIDC_ISSUER: 'https://x.example' },
      /^OIDC_ISSUER is set: set OIDC_CLIENT_ID/,
    ],
  ])(
    '%s says in one sentence what to do',
    (_what, env, sentence) => {
      const { status, stderr } = start(env)
      expect(stderr.trim()).toMatch(sentence)
      expect(stderr.trim().split('\n')).toHaveLength(1)
      expect(status).toBe(1)
    },
    60_000,
  )
})
