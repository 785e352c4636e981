import type { Database, Queries, Snapshot } from './database'

/** A schema of its own for what a snapshot needs; a killed server may leave it behind. */
const schema = 'backing_up'

export const dropLeftovers = async (db: Queries): Promise<void> => {
  await db.query(`drop schema if exists ${schema} cascade`)
}

/** Milliseconds that reading one slice should take: everybody else's statements wait for it. */
const wanted = 60
const mostPages = 400

/** What was read of a table: its pages up to `to`, when rows up to `mark` had been saved. */
interface Read {
  readonly to: number
  readonly mark: number
}

/** The end of the snapshot that is under way: they take turns, each has the schema to itself. */
const turns = new WeakMap<Database, Promise<void>>()

/**
 * A snapshot of the embedded database, which has one session only: a transaction that stays open would hold everybody up.
 * Instead, rows that are changed or deleted meanwhile are saved by a trigger as they were, and rows written since have a
 * newer transaction number. Pages of a table are read in slices, everybody else's statements in between; a saved row counts
 * where its page had not been read yet. (`xmin`, `ctid` and TID range scans: PostgreSQL 18 manual, 5.6 and 70.5.)
 */
export async function embeddedSnapshot(database: Database): Promise<Snapshot> {
  const before = turns.get(database)
  let ended = (): void => undefined
  turns.set(database, new Promise((resolve) => (ended = resolve)))
  await before
  const first = await database.transaction(watchTables).catch((error: unknown) => {
    ended()
    throw error
  })
  return {
    rows: (table) => rowsOf(database, table, first),
    // Counting every row would hold everybody up: a table's first pages stand for the rest.
    estimate: async (tables) => {
      let sum = 0
      for (const table of tables) {
        const pages = await pagesOf(database, table)
        const sample = Math.min(pages, 4)
        const [row] = await database.query<{ rows: number }>(
          `select count(*)::float8 as rows from "${table}" where ctid < '(${sample},0)'::tid`,
        )
        if (sample) sum += (row!.rows * pages) / sample
      }
      return Math.round(sum)
    },
    close: () => dropLeftovers(database).finally(ended),
  }
}

/** Saves from now on what is changed of any table; answers the transaction number from which rows are newer. */
async function watchTables(tx: Queries): Promise<string> {
  await dropLeftovers(tx)
  await tx.query(`create schema ${schema}`)
  await tx.query(
    `create unlogged table ${schema}.saved
       (id bigint generated always as identity primary key, of text not null, page bigint not null, row text not null)`,
  )
  await tx.query(
    `create function ${schema}.save() returns trigger language plpgsql as $$
     begin
       if age(old.xmin) > age(tg_argv[0]::xid) then
         insert into ${schema}.saved (of, page, row)
           values (tg_table_name, split_part(trim(old.ctid::text, '()'), ',', 1)::bigint, row_to_json(old)::text);
       end if;
       if tg_op = 'DELETE' then return old; end if;
       return new;
     end $$`,
  )
  const [now] = await tx.query<{ number: string }>('select pg_current_xact_id()::text as number')
  const tables = await tx.query<{ name: string }>(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  )
  for (const { name } of tables)
    await tx.query(
      `create trigger ${schema} before update or delete on "${name}" for each row execute function ${schema}.save('${now!.number}')`,
    )
  return now!.number
}

async function* rowsOf(database: Database, table: string, first: string): AsyncIterable<readonly string[]> {
  const pages = await pagesOf(database, table)
  const reads: Read[] = []
  let step = 8
  for (let from = 0; from < pages;) {
    const to = Math.min(pages, from + step)
    const began = performance.now()
    const { rows, mark } = await database.transaction(async (tx) => ({
      rows: await tx.query<{ row: string }>(
        `select row_to_json(t)::text as row from "${table}" t
         where ctid >= '(${from},0)'::tid and ctid < '(${to},0)'::tid and age(xmin) > age('${first}'::xid)`,
      ),
      mark: await newestSaved(tx),
    }))
    reads.push({ to, mark })
    from = to
    const took = Math.max(1, performance.now() - began)
    step = Math.max(1, Math.min(mostPages, Math.round((step * wanted) / took), step * 2))
    if (rows.length) yield rows.map(({ row }) => row)
  }
  // Nothing of the snapshot is left in the table: what was saved since has been read above.
  let last = 0
  for (;;) {
    const saved = await database.query<{ id: number; page: number; row: string }>(
      `select id::float8 as id, page::float8 as page, row from ${schema}.saved where of = $1 and id > $2 order by id limit 50`,
      [table, last],
    )
    if (!saved.length) return
    last = saved.at(-1)!.id
    const missed = saved.filter(({ id, page }) => id <= (reads.find(({ to }) => page < to)?.mark ?? 0))
    if (missed.length) yield missed.map(({ row }) => row)
  }
}

async function pagesOf(database: Queries, table: string): Promise<number> {
  const [size] = await database.query<{ pages: number }>(
    `select (pg_relation_size('"${table}"') / current_setting('block_size')::bigint)::int as pages`,
  )
  return size!.pages
}

async function newestSaved(tx: Queries): Promise<number> {
  const [row] = await tx.query<{ mark: number }>(
    `select coalesce(max(id), 0)::float8 as mark from ${schema}.saved`,
  )
  return row!.mark
}
