/** The little that the rest of the server knows of its database: the same on PGlite and on a PostgreSQL server. */
export interface Queries {
  /** One statement with bound parameters `$1 …`. JSON goes in as text. */
  query<Row>(sql: string, parameters?: readonly unknown[]): Promise<Row[]>
}

export interface Limits {
  /** Seconds after which a transaction is rolled back, however far it is; `usualLimit` unless given. */
  readonly longest?: number
}
/** Seconds that a transaction gets unless it says otherwise. */
export const usualLimit = 30

/** All tables at one moment, read while others go on writing. To be closed, whatever happens. */
export interface Snapshot {
  /** Rows of a table in slices, each row as the text of a JSON object. */
  rows(table: string): AsyncIterable<readonly string[]>
  /** About how many rows all of `tables` have together, for a progress display. */
  estimate(tables: readonly string[]): Promise<number>
  close(): Promise<void>
}

export interface Database extends Queries {
  /**
   * Runs `work` in one transaction: all of it or nothing. Once it is done, what it wrote is on the disk: an answer
   * that follows is a promise that a power cut keeps. It ends whatever happens in `work`: what throws, and what takes
   * longer than its limit, is rolled back.
   * @throws DatabaseFailure with `slow` where it took longer
   */
  transaction<T>(work: (queries: Queries) => Promise<T>, limits?: Limits): Promise<T>
  /** All tables as they are at this moment. Nobody waits for it: what is written meanwhile is not in it. */
  snapshot(): Promise<Snapshot>
  /** Makes room where rows were, where the database does not do so by itself. Others wait for a table at a time. */
  tidy(): Promise<void>
  /** Several statements without parameters, for migrations; in one transaction. */
  script(sql: string): Promise<void>
  /** Hears what is sent to a channel with `pg_notify`, from whatever process; answers how to stop hearing. */
  listen(channel: string, heard: (payload: string) => void): Promise<() => Promise<void>>
  close(): Promise<void>
}

/**
 * `duplicate`: a unique constraint; `gone`: a row that is referred to is not there; `unfit`: a value that its column does
 * not hold; `slow`: stopped by a limit in time.
 */
export type Trouble = 'unreachable' | 'full' | 'duplicate' | 'gone' | 'unfit' | 'slow' | 'other'

/** What goes wrong in a database, as far as anybody asks: its own errors carry what was bound, and go no further. */
export class DatabaseFailure extends Error {
  constructor(
    readonly trouble: Trouble,
    /** SQLSTATE, where there is one. */
    readonly code: string,
    /** Name of the constraint, where one was broken. */
    readonly constraint: string,
  ) {
    super(`database: ${trouble}${code && ` ${code}`}${constraint && ` ${constraint}`}`)
  }
}

/** SQLSTATE classes and system errors that mean “not there just now” (PostgreSQL 15 manual, appendix A; Node's errno). */
const unreachable =
  /^(08|57P0[123]|53300|ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|EHOSTUNREACH|ENOENT)|terminated|timeout exceeded|Query read timeout/
const full = /^(53100|53200|ENOSPC)|no space left/i

/** An error of either driver as ours: code and constraint, never its text, its detail or its parameters. */
export function failureOf(error: unknown): DatabaseFailure {
  if (error instanceof DatabaseFailure) return error
  const of = (name: string): string => {
    const value: unknown = typeof error === 'object' && error !== null ? Reflect.get(error, name) : undefined
    return typeof value === 'string' ? value : ''
  }
  const code = of('code')
  const message = of('message')
  const constraint = of('constraint')
  if (unreachable.test(code) || unreachable.test(message)) return new DatabaseFailure('unreachable', code, '')
  if (full.test(code) || full.test(message)) return new DatabaseFailure('full', code, '')
  if (code === '23505') return new DatabaseFailure('duplicate', code, constraint)
  if (code === '23503') return new DatabaseFailure('gone', code, constraint)
  // Data exceptions (22xxx) and values too long for an index (54xxx): PostgreSQL 15 manual, appendix A.
  if (/^(22|54)/.test(code)) return new DatabaseFailure('unfit', code, constraint)
  if (code === '57014') return new DatabaseFailure('slow', code, '')
  return new DatabaseFailure('other', code, constraint)
}
