import Papa from 'papaparse'

export type Cell = string | number | undefined

/** Cells that a spreadsheet would run as a formula are taken for text. Numbers stay numbers. */
const tame = (cell: Cell): string | number => {
  if (cell === undefined) return ''
  return typeof cell === 'string' && /^[=+@\t\r]|^-(?![\d.])/.test(cell) ? `'${cell}` : cell
}

/** RFC 4180 CSV with a header line. */
export function toCsv(header: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return Papa.unparse({ fields: [...header], data: rows.map((row) => row.map(tame)) }, { newline: '\r\n' })
}
