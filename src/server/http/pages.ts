import { say } from '../../core/document'
import { type Page } from '../../contract'
import { HttpError } from './http-error'

/** Lists by pages: each begins after the last row of the one before, by what they are sorted by, so that none is missed. */

/** Rows that a page has, where a list does not say otherwise. */
export const pageSize = 50

/** Where a page ends: what its last row is sorted by, as text that the database reads back exactly. */
export const cursorOf = (...parts: readonly string[]): string =>
  Buffer.from(JSON.stringify(parts)).toString('base64url')

/** @throws HttpError 422 where it is none of ours */
export function readCursor(cursor: string | undefined, length: number): string[] | undefined {
  if (cursor === undefined) return undefined
  try {
    const parts: unknown = JSON.parse(Buffer.from(cursor, 'base64url').toString())
    if (Array.isArray(parts) && parts.length === length && parts.every((one) => typeof one === 'string'))
      return parts as string[]
  } catch {
    // Said below.
  }
  throw new HttpError(422, say('school.noSuchPage'))
}

/** A row without what it was sorted by. */
export function unsorted<Row extends { readonly sorted: string }>(row: Row): Omit<Row, 'sorted'> {
  const { sorted, ...own } = row
  void sorted
  return own
}

/** A page out of rows of which one more than fits was asked for. */
export function pageFrom<Row, T>(
  found: readonly Row[],
  size: number,
  count: number,
  row: (one: Row) => T,
  cursor: (last: Row) => string,
): Page<T> {
  const rows = found.slice(0, size)
  return { rows: rows.map(row), count, after: found.length > size ? cursor(rows.at(-1)!) : null }
}
