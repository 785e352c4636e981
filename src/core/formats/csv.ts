import Papa from 'papaparse'

export type Cell = string | number | undefined

const isNumber = /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i

/** Cells that a spreadsheet would run as a formula are taken for text. What is a number and nothing else stays one. */
const tame = (cell: Cell): string | number => {
  if (cell === undefined) return ''
  return typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) && !isNumber.test(cell) ? `'${cell}` : cell
}

/** RFC 4180 CSV with a header line. */
export function toCsv(header: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return Papa.unparse({ fields: [...header], data: rows.map((row) => row.map(tame)) }, { newline: '\r\n' })
}

/** The same of records that have the same fields, whose names are the header. */
export function recordsToCsv(records: readonly object[]): string {
  const header = Object.keys(records[0] ?? {})
  const cell = (value: unknown): Cell =>
    typeof value === 'number' ? value : value === null || value === undefined ? '' : String(value)
  return toCsv(
    header,
    records.map((record) => header.map((name) => cell(Reflect.get(record, name)))),
  )
}
