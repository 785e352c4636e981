import { createHash } from 'node:crypto'
import { z } from 'zod'

/** What a file holds that nobody needs to know before its rows: where they come from, and about how many there are. */
const headSchema = z.union([
  z.strictObject({
    format: z.literal('brachyon-school'),
    version: z.literal(1),
    /** The newest migration of the database that it was taken of. */
    schema: z.string(),
    at: z.string(),
  }),
  z.strictObject({
    format: z.literal('brachyon-school'),
    version: z.literal(2),
    schema: z.string(),
    at: z.string(),
    /** About how many rows follow, for a progress display. */
    rows: z.number(),
  }),
])
export type BackupHead = z.infer<typeof headSchema>
const endSchema = z.strictObject({ rows: z.number().int(), sha256: z.string() })

/** Why a backup cannot be taken or restored, in words for whoever does it; the database is as it was. */
export class BackupError extends Error {}

/** One row of a table, as the text that the database made of it: numbers keep every digit. */
export interface BackupRow {
  readonly table: string
  readonly row: string
  /** Where it stands in the file, from 1. */
  readonly line: number
}

/** Writes the lines of a backup: a head, every row, an end with their number and their hash. */
export class BackupWriter {
  private readonly hash = createHash('sha256')
  private count = 0

  head({ schema, at, rows }: { readonly schema: string; readonly at: Date; readonly rows: number }): string {
    return this.put(
      JSON.stringify({ format: 'brachyon-school', version: 2, schema, at: at.toISOString(), rows }),
    )
  }

  /** @param rows each the text of a JSON object */
  rows(table: string, rows: readonly string[]): string {
    this.count += rows.length
    return rows.map((row) => this.put(`{"table":"${table}","row":${row}}`)).join('')
  }

  end(): string {
    return `${JSON.stringify({ rows: this.count, sha256: this.hash.digest('hex') })}\n`
  }

  private put(line: string): string {
    this.hash.update(line)
    return `${line}\n`
  }
}

const rowStart = /^\{"table":"([a-z_]+)","row":\{/

/** A line that is a row; rows are long, so that only the ends are looked at. What is between is proved by the hash. */
function rowOf(text: string): Omit<BackupRow, 'line'> | undefined {
  const start = rowStart.exec(text)
  if (!start || !text.endsWith('}}')) return undefined
  return { table: start[1]!, row: text.slice(start[0].length - 1, -1) }
}

/**
 * Reads a backup line by line and proves it: the head comes first, then the rows; that all of them were there and none was
 * changed is known when the last has been read.
 * @throws BackupError with the line and what is wrong with it
 */
export async function* readBackup(lines: AsyncIterable<string>): AsyncGenerator<BackupHead | BackupRow> {
  const hash = createHash('sha256')
  let line = 0
  let rows = 0
  let ended = false
  for await (const text of lines) {
    line++
    if (text === '') continue
    if (ended) throw new BackupError(`Line ${line}: nothing may follow the end of a backup.`)
    if (line === 1) {
      const head = headSchema.safeParse(jsonOf(text))
      if (!head.success)
        throw new BackupError('This is not a backup of a school: its first line does not say so.')
      hash.update(text)
      yield head.data
      continue
    }
    const row = rowOf(text)
    if (row) {
      hash.update(text)
      rows++
      yield { ...row, line }
      continue
    }
    const end = endSchema.safeParse(jsonOf(text))
    if (!end.success)
      throw new BackupError(
        `Line ${line} is damaged: a row of a table or the end of the backup was expected.`,
      )
    if (end.data.rows !== rows || end.data.sha256 !== hash.digest('hex'))
      throw new BackupError('This backup was changed or damaged: its rows are not those that it was made of.')
    ended = true
  }
  if (line === 0) throw new BackupError('This is not a backup of a school: the file is empty.')
  if (!ended) throw new BackupError('This backup is incomplete: its end is missing.')
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/**
 * Proves without a database that a backup is whole.
 * @param seen hears of the rows read so far and how many there should be (0 where the file does not say)
 * @throws BackupError
 */
export async function checkBackup(
  lines: AsyncIterable<string>,
  seen: (rows: number, of: number) => void = () => undefined,
): Promise<{ readonly rows: number; readonly head: BackupHead }> {
  let head: BackupHead | undefined
  let rows = 0
  for await (const one of readBackup(lines)) {
    if ('format' in one) head = one
    else if (++rows % 1000 === 0) seen(rows, head && 'rows' in head ? head.rows : 0)
  }
  return { rows, head: head! }
}
