import { createHash } from 'node:crypto'

const names = new Map<string, string>()

/**
 * A statement that is asked for with every request or step, and finds its rows by a key: the database parses and plans it
 * once for each connection, which took half of its time and more. Not for lists: their plan depends on what is bound.
 * @returns the same text
 */
export function often(sql: string): string {
  if (!names.has(sql)) names.set(sql, createHash('sha256').update(sql).digest('hex').slice(0, 32))
  return sql
}

/** The name under which a server keeps a statement; undefined where it is not asked for often. */
export const nameOf = (sql: string): string | undefined => names.get(sql)
