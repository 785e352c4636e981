import { Readable } from 'node:stream'

/** Rows in slices, each after the last row of the one before, until there are no more. */
export async function* slices<Row>(
  read: (last: Row | undefined) => Promise<readonly Row[]>,
  size: number,
): AsyncGenerator<readonly Row[]> {
  let last: Row | undefined
  for (;;) {
    const rows = await read(last)
    const own = rows.slice(0, size)
    if (own.length) yield own
    if (rows.length <= size) return
    last = own.at(-1)
  }
}

/**
 * Slices of rows as one CSV file: the header of the first only. Nothing is read before what was read has been taken, so that
 * a whole school takes no more memory than a slice.
 * @param header names of the columns where there are no rows
 */
export function csvFile<Row>(
  rows: AsyncIterable<readonly Row[]>,
  toCsv: (rows: readonly Row[]) => string,
  header: readonly string[],
): Readable {
  async function* text(): AsyncGenerator<string> {
    let first = true
    for await (const slice of rows) {
      const csv = toCsv(slice)
      yield first ? csv : csv.slice(csv.indexOf('\r\n'))
      first = false
    }
    yield first ? `${header.join(',')}\r\n` : '\r\n'
  }
  return Readable.from(text(), { objectMode: false })
}
