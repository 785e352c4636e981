const names = new Map<string, string>()

/**
 * A statement that is asked for with every request or step, and finds its rows by a key: a PostgreSQL server parses and plans
 * it once for each connection, which took four fifths of its time. Not for lists: their plan depends on what is bound.
 * @returns the same text
 */
export function often(sql: string): string {
  if (!names.has(sql)) names.set(sql, `often_${names.size}`)
  return sql
}

/** The name under which a server keeps a statement; undefined where it is not asked for often. */
export const nameOf = (sql: string): string | undefined => names.get(sql)
