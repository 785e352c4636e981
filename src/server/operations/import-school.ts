import type { Database, Queries } from '../database'
import { BackupError, readBackup, type BackupRow } from './backup-file'
import { leftOut, schemaOf, tablesOf, type OnRows } from './export-school'

/** Rows and characters that go to the database in one statement at most. */
const mostRows = 500
const mostText = 4_000_000
/** Seconds that a restore may take. */
const longest = 24 * 3600

/**
 * Takes a backup into a database that holds no school yet: all of it or nothing. Rows may come in any order: keys between
 * tables are looked at when all are there.
 * @throws BackupError
 */
export async function importSchool(
  db: Database,
  lines: AsyncIterable<string>,
  onRows: OnRows = () => undefined,
): Promise<number> {
  return db.transaction(
    async (tx) => {
      const [someone] = await tx.query('select 1 from users limit 1')
      if (someone)
        throw new BackupError('There is a school in this database already: restore into an empty one.')
      await tx.query('set constraints all deferred')
      const known = await tablesOf(tx)
      const insert = new Inserter(tx)
      let rows = 0
      let of = 0
      for await (const one of readBackup(lines)) {
        if ('format' in one) {
          const schema = await schemaOf(tx)
          if (one.schema > schema)
            throw new BackupError(
              `This backup is of a newer Brachyon (${one.schema}; this one has ${schema}).`,
            )
          of = 'rows' in one ? one.rows : 0
          continue
        }
        if (leftOut.includes(one.table)) continue
        if (!known.includes(one.table))
          throw new BackupError(`Line ${one.line}: there is no table ${one.table}.`)
        await insert.add(one)
        if (++rows % 1000 === 0) onRows(rows, of)
      }
      await insert.flush()
      await setSequences(tx)
      // Deferred keys are looked at now, so that what does not fit is said in words.
      await tx.query('set constraints all immediate').catch((error: unknown) => {
        throw new BackupError(`Rows of this backup refer to others that are not in it (${wordsOf(error)}).`)
      })
      return rows
    },
    { longest },
  )
}

/**
 * Gathers rows of one table and writes them with one statement, while the next ones are read. All rows of a table name the same
 * columns: they were written by one database.
 */
class Inserter {
  private waiting: BackupRow[] = []
  private text = 0
  private writing: Promise<unknown> = Promise.resolve()

  constructor(private readonly tx: Queries) {}

  async add(one: BackupRow): Promise<void> {
    const full = this.waiting.length >= mostRows || this.text > mostText
    if (full || this.waiting[0]?.table !== one.table) await this.write()
    this.waiting.push(one)
    this.text += one.row.length
  }

  /** All that was added is in the database then. */
  async flush(): Promise<void> {
    await this.write()
    await this.writing
  }

  private async write(): Promise<void> {
    const rows = this.waiting
    this.waiting = []
    this.text = 0
    await this.writing
    if (!rows.length) return
    this.writing = this.insert(rows)
    // It is waited for before the next ones are written; until then nobody else hears of it.
    this.writing.catch(() => undefined)
  }

  private async insert(rows: readonly BackupRow[]): Promise<void> {
    const first = rows[0]!
    const columns = columnsOf(first)
    // Columns that came later have their defaults: only what the backup names is written.
    await this.tx
      .query(
        `insert into ${first.table} (${columns}) overriding system value
         select ${columns} from jsonb_populate_recordset(null::${first.table}, $1::text::jsonb)`,
        [`[${rows.map(({ row }) => row).join()}]`],
      )
      .catch((error: unknown) => {
        // What is no JSON at all is said with its own line.
        rows.forEach(columnsOf)
        const lines = rows.length > 1 ? `Lines ${first.line} to ${rows.at(-1)!.line}` : `Line ${first.line}`
        throw new BackupError(`${lines}: these rows of ${first.table} do not fit (${wordsOf(error)}).`)
      })
  }
}

function columnsOf({ row, line }: BackupRow): string {
  try {
    return Object.keys(JSON.parse(row) as object)
      .map((name) => `"${name.replaceAll('"', '')}"`)
      .join()
  } catch {
    throw new BackupError(`Line ${line} is damaged: this is not JSON.`)
  }
}

/** Numbers that a table gives by itself go on after the highest that was restored. */
async function setSequences(tx: Queries): Promise<void> {
  const owned = await tx.query<{ table: string; column: string; sequence: string }>(
    `select table_name as table, column_name as column,
       pg_get_serial_sequence(quote_ident(table_name), column_name) as sequence
     from information_schema.columns
     where table_schema = 'public' and pg_get_serial_sequence(quote_ident(table_name), column_name) is not null`,
  )
  for (const { table, column, sequence } of owned)
    await tx.query(
      `select setval($1::text::regclass, greatest(1, (select max("${column}") from ${table})),
         exists (select 1 from ${table}))`,
      [sequence],
    )
}

const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
