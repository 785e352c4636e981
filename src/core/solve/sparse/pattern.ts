/** A square sparse matrix by columns. `start` has size + 1 entries; `row` and `value` one per non-zero. */
export interface SparseMatrix {
  readonly size: number
  readonly start: Int32Array
  readonly row: Int32Array
  readonly value: Float64Array
}

/**
 * Collects where a matrix will have entries, then fixes the pattern once. Each call of `slot` gives a key;
 * after `build`, `place[key]` is the index into `value` to add to, so that filling costs one addition.
 */
export class PatternBuilder {
  private readonly keys: { row: number; column: number }[] = []

  constructor(private readonly size: number) {}

  slot(row: number, column: number): number {
    return this.keys.push({ row, column }) - 1
  }

  build(): { matrix: SparseMatrix; place: Int32Array } {
    const { size, keys } = this
    const order = keys.map((_, i) => i)
    order.sort((i, j) => keys[i]!.column - keys[j]!.column || keys[i]!.row - keys[j]!.row)
    const start = new Int32Array(size + 1)
    const row: number[] = []
    const place = new Int32Array(keys.length)
    let lastRow = -1
    let lastColumn = -1
    for (const i of order) {
      const key = keys[i]!
      if (key.row !== lastRow || key.column !== lastColumn) {
        row.push(key.row)
        start[key.column + 1]!++
        lastRow = key.row
        lastColumn = key.column
      }
      place[i] = row.length - 1
    }
    for (let c = 0; c < size; c++) start[c + 1]! += start[c]!
    return { matrix: { size, start, row: Int32Array.from(row), value: new Float64Array(row.length) }, place }
  }
}
