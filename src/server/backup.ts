import { createHash } from 'node:crypto'
import { z } from 'zod'
import type { Database, Queries } from './database'

/**
 * Tables of a school in an order in which each comes after those that it points to. Sessions, tries and what can be worked
 * out again stay behind: whoever restores signs in anew.
 */
const tables = [
  'users',
  'meters',
  'circuits',
  'circuit_edits',
  'circuit_versions',
  'fault_sets',
  'rubrics',
  'work_orders',
  'steps',
  'overrides',
  'replies',
  'sign_ins',
  'classes',
  'class_members',
  'lessons',
  'lesson_versions',
  'lab_days',
  'acts',
  'facts',
] as const
// Questions from the wall are for the lesson, and nobody’s record.
const leftBehind = ['migrations', 'sessions', 'tries', 'prepared', 'judgements', 'questions', 'answers']

const headSchema = z.strictObject({
  format: z.literal('brachyon-school'),
  version: z.literal(1),
  /** The newest migration of the database that it was taken of. */
  schema: z.string(),
  at: z.string(),
})
const rowSchema = z.strictObject({
  table: z.enum(tables),
  row: z.record(z.string(), z.unknown()),
})
const endSchema = z.strictObject({ rows: z.number().int(), sha256: z.string() })

/** Why a backup cannot be taken in; the database is as it was. */
export class BackupTrouble extends Error {}

const batch = 500

/**
 * The whole school as lines of JSON: a head, every row, and an end that says how many there were and their hash. Taken in one
 * transaction, so that it is the school of one moment, whatever is written meanwhile.
 */
export async function exportSchool(
  db: Database,
  at: Date,
  write: (line: string) => Promise<void>,
): Promise<number> {
  return db.transaction(async (tx) => {
    await tx.query('set transaction isolation level repeatable read, read only')
    await expectAllTables(tx)
    const hash = createHash('sha256')
    let rows = 0
    const put = async (line: string) => {
      hash.update(line)
      await write(`${line}\n`)
    }
    const schema = await schemaOf(tx)
    await put(JSON.stringify({ format: 'brachyon-school', version: 1, schema, at: at.toISOString() }))
    for (const table of tables) {
      // Orders point at orders that came before them.
      const order = table === 'work_orders' ? 'created_at, ctid' : 'ctid'
      for (let from = 0; ; from += batch) {
        const found = await tx.query<{ row: string }>(
          `select to_jsonb(t)::text as row from ${table} t order by ${order} limit ${batch} offset ${from}`,
        )
        for (const { row } of found) await put(`{"table":"${table}","row":${row}}`)
        rows += found.length
        if (found.length < batch) break
      }
    }
    await write(`${JSON.stringify({ rows, sha256: hash.digest('hex') })}\n`)
    return rows
  })
}

/** Takes a backup into a database that holds no school yet: all of it or nothing. */
export async function importSchool(db: Database, lines: AsyncIterable<string>): Promise<number> {
  return db.transaction(async (tx) => {
    const [someone] = await tx.query('select 1 from users limit 1')
    if (someone)
      throw new BackupTrouble('There is a school in this database already: restore into an empty one.')
    const hash = createHash('sha256')
    let rows = 0
    let at = 0
    let ended = false
    for await (const line of lines) {
      at++
      if (line === '') continue
      if (ended) throw new BackupTrouble(`Line ${at}: nothing may follow the end of a backup.`)
      const value = parse(line, at)
      if (at === 1) {
        const head = headSchema.safeParse(value)
        if (!head.success)
          throw new BackupTrouble('This is no backup of a school: its first line says nothing of one.')
        const schema = await schemaOf(tx)
        if (head.data.schema > schema)
          throw new BackupTrouble(
            `This backup is of a newer Brachyon (${head.data.schema}; this one has ${schema}).`,
          )
        hash.update(line)
        continue
      }
      const end = endSchema.safeParse(value)
      if (end.success) {
        ended = true
        if (end.data.rows !== rows || end.data.sha256 !== hash.digest('hex'))
          throw new BackupTrouble(
            'This backup has been changed or damaged: its rows are not those that it was made of.',
          )
        continue
      }
      const row = rowSchema.safeParse(value)
      if (!row.success) throw new BackupTrouble(`Line ${at}: a row of a table that there is was expected.`)
      hash.update(line)
      // Columns that came later have their defaults: only what the backup names is written.
      const columns = Object.keys(row.data.row).map((name) => `"${name.replaceAll('"', '')}"`)
      await tx
        .query(
          `insert into ${row.data.table} (${columns.join()}) overriding system value
           select ${columns.join()} from jsonb_populate_record(null::${row.data.table}, $1::text::jsonb)`,
          [JSON.stringify(row.data.row)],
        )
        .catch((error: unknown) => {
          const why = error instanceof Error ? error.message : String(error)
          throw new BackupTrouble(`Line ${at}: this row of ${row.data.table} cannot be taken in (${why}).`)
        })
      rows++
    }
    if (!ended) throw new BackupTrouble('This backup breaks off: its end is missing.')
    await tx.query(
      `select setval(pg_get_serial_sequence('sign_ins', 'id'), greatest(1, (select max(id) from sign_ins)))`,
    )
    return rows
  })
}

function parse(line: string, at: number): unknown {
  try {
    return JSON.parse(line)
  } catch {
    throw new BackupTrouble(`Line ${at}: this is no JSON.`)
  }
}

const schemaOf = async (db: Queries): Promise<string> =>
  (await db.query<{ name: string }>('select name from migrations order by name desc limit 1'))[0]?.name ?? ''

/** A table that nobody has thought of would be lost without a word. */
async function expectAllTables(db: Queries): Promise<void> {
  const there = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables where table_schema = 'public'`,
  )
  const known: readonly string[] = [...tables, ...leftBehind]
  const unknown = there.find(({ name }) => !known.includes(name))
  if (unknown) throw new Error(`no backup knows of the table ${unknown.name}`)
}
