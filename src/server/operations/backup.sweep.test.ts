import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { allTables, fillEveryTable, rowsOf } from '../../../test/every-table'
import { startPostgres } from '../../../test/postgres.mjs'
import { emptyDatabase } from '../../../test/school'
import { openDatabase, type Database } from '../database'
import { BackupError, checkBackup } from './backup-file'
import { exportSchool, leftOut } from './export-school'
import { importSchool } from './import-school'

async function taken(db: Database): Promise<string[]> {
  let text = ''
  for await (const piece of exportSchool(db, new Date('2026-03-02T08:00:00Z'))) text += piece
  return text.trimEnd().split('\n')
}
async function* from(lines: readonly string[]): AsyncGenerator<string> {
  for (const line of lines) yield await Promise.resolve(line)
}
const embedded = () => openDatabase({ image: emptyDatabase() })

/** The same backup as the version before this one wrote it: another head, rows in an order that no key likes, no rows of a judge. */
function asBefore(lines: readonly string[]): string[] {
  const head = JSON.parse(lines[0]!) as { schema: string; at: string }
  const tables =
    'users meters circuits circuit_edits circuit_versions fault_sets rubrics work_orders steps overrides replies sign_ins classes class_members lessons lesson_versions lab_days exams acts facts'
  const all = [JSON.stringify({ format: 'brachyon-school', version: 1, schema: head.schema, at: head.at })]
  for (const table of tables.split(' '))
    all.push(...lines.filter((line) => line.startsWith(`{"table":"${table}",`)))
  return ended(all)
}

/** With the end that fits a head and rows. */
function ended(all: readonly string[]): string[] {
  const hash = createHash('sha256')
  for (const line of all) hash.update(line)
  return [...all, JSON.stringify({ rows: all.length - 1, sha256: hash.digest('hex') })]
}

describe('a backup of every table', () => {
  const postgres = startPostgres()
  /** An empty database of the server's own. */
  const onServer = async (name: string): Promise<Database> => {
    const first = await openDatabase({ url: postgres.url })
    await first.query(`create database ${name}`)
    await first.close()
    return openDatabase({ url: postgres.url.replace('/postgres?', `/${name}?`) })
  }
  const open: Database[] = []
  const made = async (db: Promise<Database>): Promise<Database> => {
    open.push(await db)
    return db
  }
  let sources: Record<'embedded' | 'server', Database>

  beforeAll(async () => {
    sources = { embedded: await made(embedded()), server: await made(onServer('source')) }
    for (const db of Object.values(sources)) await fillEveryTable(db)
  }, 60_000)
  afterAll(async () => {
    for (const db of open) await db.close()
    postgres.stop()
  })

  it('has a row of each in this test: a new table needs one', async () => {
    for (const table of await allTables(sources.embedded))
      expect((await rowsOf(sources.embedded, table)).length, table).toBeGreaterThan(0)
  })

  it.each([
    ['embedded', 'embedded'],
    ['embedded', 'server'],
    ['server', 'server'],
    ['server', 'embedded'],
  ] as const)('comes back from %s on %s, row by row, and the school goes on', async (one, other) => {
    const source = sources[one]
    const target = await made(other === 'server' ? onServer(`of_${one}`) : embedded())
    const lines = await taken(source)
    const rows = await importSchool(target, from(lines))
    expect(rows).toBe(lines.length - 2)
    for (const table of await allTables(source)) {
      if (table === 'migrations') continue
      const wanted = leftOut.includes(table) ? [] : await rowsOf(source, table)
      expect(await rowsOf(target, table), table).toEqual(wanted)
    }
    // Numbers that tables give by themselves go on after the highest.
    const [order] = await target.query<{ id: string }>('select id from work_orders limit 1')
    const [act] = await target.query<{ id: number }>(
      `insert into acts (work_order_id, type) values ($1, 'stop') returning id::int as id`,
      [order!.id],
    )
    expect(act!.id).toBe(3)
    await target.query(`insert into sign_ins (login, address, outcome) values ('x', 'y', 'in')`)
    // Keys are looked at again as soon as a row comes.
    await expect(
      target.query(
        `insert into replies (work_order_id, step, verdict, body) values (gen_random_uuid(), 1, 'v', 'b')`,
      ),
    ).rejects.toMatchObject({ trouble: 'gone' })
  })

  it('that the version before made comes back as well, though its rows stand in an order that no key likes', async () => {
    for (const target of [await made(embedded()), await made(onServer('of_before'))]) {
      await importSchool(target, from(asBefore(await taken(sources.server))))
      for (const table of ['work_orders', 'lessons', 'lab_days', 'acts', 'steps'])
        expect(await rowsOf(target, table), table).toEqual(await rowsOf(sources.server, table))
    }
  })

  describe.each(['embedded', 'server'] as const)('on %s is of one moment', (kind) => {
    it('whatever is written, changed and deleted while it is read', async () => {
      const db = await made(kind === 'server' ? onServer('moment') : embedded())
      await fillEveryTable(db)
      await db.query(
        `insert into facts (name, body) select 'f' || n, repeat(md5(n::text), 40) from generate_series(1, 3000) n`,
      )
      const tables = (await allTables(db)).filter((name) => !leftOut.includes(name))
      const before = new Map<string, string[]>()
      for (const table of tables) before.set(table, await rowsOf(db, table))
      let pieces = 0
      const lines: string[] = []
      for await (const piece of exportSchool(db, new Date())) {
        lines.push(...piece.trimEnd().split('\n'))
        // Between any two pieces somebody works: also on rows that were read, and on those that were not yet.
        const n = ++pieces
        await db.query(`update facts set body = 'changed' where name in ($1, $2)`, [`f${n}`, `f${3001 - n}`])
        await db.query(`delete from facts where name in ($1, $2)`, [`f${n + 500}`, `f${2500 - n}`])
        await db.query(`insert into facts (name, body) values ($1, 'new')`, [`new ${n}`])
        if (n === 2) await db.query(`delete from users where login = 'learner' and false`)
        if (n === 3) await db.query(`delete from work_orders where station is not null`)
        if (n === 3) await db.query(`update users set name = 'Renamed'`)
        // The room of what is gone is given away while the rest is still to be read.
        if (n % 3 === 1) await db.tidy()
      }
      expect(pieces).toBeGreaterThan(8)
      const seen = new Map<string, string[]>()
      for (const line of lines.slice(1, -1)) {
        const [, table, row] = /^\{"table":"([a-z_]+)","row":(.*)\}$/.exec(line)!
        seen.set(table!, [...(seen.get(table!) ?? []), row!])
      }
      for (const table of tables)
        expect((seen.get(table) ?? []).toSorted(), table).toEqual(before.get(table)!.toSorted())
      // Nothing of it is left behind: the next change costs what it always did.
      const left = await db.query(`select 1 from pg_trigger where tgname = 'backing_up'`)
      expect(left).toEqual([])
    }, 60_000)

    it('and ends cleanly where its reader goes away; another one waits for nothing', async () => {
      const db = sources[kind]
      for await (const piece of exportSchool(db, new Date())) if (piece.includes('"table"')) break
      expect((await taken(db)).length).toBeGreaterThan(10)
      expect(await db.query(`select 1 from pg_trigger where tgname = 'backing_up'`)).toEqual([])
    })
  })

  it('holds nobody up whose reader stands still', async () => {
    const db = sources.embedded
    const reading = exportSchool(db, new Date())
    await reading.next()
    await reading.next()
    // The reader takes nothing more; others go on, several at once.
    const began = performance.now()
    await Promise.all(
      Array.from({ length: 20 }, (_, n) =>
        db.transaction((tx) =>
          tx.query(`insert into facts (name, body) values ($1, '')`, [`meanwhile ${n}`]),
        ),
      ),
    )
    expect(performance.now() - began).toBeLessThan(5000)
    await reading.return(0)
    await db.query(`delete from facts where name like 'meanwhile%'`)
  })

  it('carries no session and no device that anybody could sign in with', async () => {
    const text = (await taken(sources.embedded)).join('\n')
    expect(text).not.toContain('"table":"sessions"')
    expect(text).not.toContain('"table":"directory_visits"')
  })

  describe('that is not whole', () => {
    let lines: string[]
    let db: Database
    beforeAll(async () => {
      lines = await taken(sources.embedded)
      db = await made(embedded())
    })
    const users = () => lines.findIndex((line) => line.startsWith('{"table":"users"'))

    it.each<[string, () => string[], RegExp]>([
      ['breaks off', () => lines.slice(0, -1), /incomplete/],
      ['lacks a row', () => lines.filter((_, i) => i !== users()), /changed or damaged/],
      ['was changed', () => lines.map((l) => l.replace('naïve', 'knowing')), /changed or damaged/],
      ['has one bit flipped', () => lines.map((l, i) => (i === 5 ? flipped(l) : l)), /damaged/],
      ['goes on after its end', () => [...lines, lines[1]!], /nothing may follow/],
      ['is something else', () => ['{"format":"other"}'], /not a backup of a school/],
      ['is empty', () => [], /empty/],
      ['is no JSON', () => [lines[0]!, '{'], /Line 2 is damaged/],
    ])('%s: is found without a database, and leaves one empty', async (_, spoil, why) => {
      const checked = await checkBackup(from(spoil())).catch((error: unknown) => error)
      expect(checked).toBeInstanceOf(BackupError)
      expect((checked as Error).message).toMatch(why)
      await expect(importSchool(db, from(spoil()))).rejects.toThrow(BackupError)
      expect(await db.query('select 1 from users')).toEqual([])
    })

    it.each<[string, () => string[], RegExp]>([
      [
        'has an unknown table',
        () => [lines[0]!, '{"table":"pg_user","row":{"a":1}}'],
        /Line 2: there is no table/,
      ],
      ['is of a newer program', () => [lines[0]!.replace(/"schema":"\d+/, '"schema":"999')], /newer/],
      [
        'has a row that does not fit',
        () => ended([lines[0]!, '{"table":"users","row":{"id":"x"}}']),
        /Line 2: .*users/,
      ],
      [
        'lacks what its rows point at',
        () => {
          const kept = lines.slice(0, -1).filter((line) => !line.startsWith('{"table":"lessons"'))
          return ended(kept)
        },
        /refer to others that are not in it/,
      ],
    ])('%s: is refused in words, and leaves the database empty', async (_, spoil, why) => {
      const failure = await importSchool(db, from(spoil())).catch((error: unknown) => error)
      expect(failure).toBeInstanceOf(BackupError)
      expect((failure as Error).message).toMatch(why)
      expect(await db.query('select 1 from users')).toEqual([])
    })

    it('is not restored into a school that is there', async () => {
      await expect(importSchool(sources.embedded, from(lines))).rejects.toThrow(/already/)
    })
  })
})

/** One bit of one character in the middle of a text is another one. */
function flipped(text: string): string {
  const at = Math.floor(text.length / 2)
  return text.slice(0, at) + String.fromCharCode(text.charCodeAt(at) ^ 1) + text.slice(at + 1)
}
