import type { Message } from '../document'
import {
  cellOf,
  clampColumns,
  clampTable,
  dropColumns,
  dropRows,
  fuseColumns,
  fuseTable,
  isolatedColumns,
  isolatedTable,
  pointColumns,
  pointRows,
  type AnswerKey,
  type Column,
  type Figure,
  type StateKey,
} from '../readings'
import { toCsv, type Cell } from './csv'

const round = (value: Cell): Cell => (typeof value === 'number' ? Number(value.toFixed(5)) : value)

const header = ['state', 'quantity', 'at', 'part', 'healthy', 'band', 'faulted', 'difference', 'unit']

/**
 * The answer key as one table: a row per state and quantity, healthy beside faulted, from the same rows and columns as
 * the tables that are shown. SI units.
 */
export function keyToCsv(
  healthy: AnswerKey,
  faulted: AnswerKey | undefined,
  tell: (message: Message) => string,
): string {
  const rows: Cell[][] = []
  healthy.states.forEach((state, i) => {
    const other = faulted?.states[i]
    if (state.ok) rows.push(...stateRows(state, other?.ok ? other : null))
    else rows.push([state.state.name, 'state', tell(state.why)])
  })
  for (const row of isolatedTable(healthy.isolated, faulted?.isolated ?? null)) {
    rows.push(figureRow('isolated', isolatedColumns, row))
    const cell = (key: string) => cellOf(isolatedColumns, key, row) || undefined
    rows.push(wordRow('isolated', 'continuity', row.at, row.part, cell('beeps'), cell('otherBeeps')))
  }
  return toCsv(header, rows)
}

/** A figure's cells by the keys of its columns. */
function figureRow<R extends Figure>(state: string, columns: readonly Column<R>[], row: R): Cell[] {
  const cell = (key: string) => round(cellOf(columns, key, row))
  return [
    state,
    row.quantity,
    row.at.replace(' – ', row.quantity === 'drop' ? ' to ' : ' – '),
    row.part,
    cell('healthy'),
    cell('band'),
    cell('faulted'),
    cell('difference') ?? round(row.change),
    row.unit,
  ]
}

const wordRow = (
  state: string,
  quantity: string,
  at: string,
  part: string,
  good: Cell,
  bad?: Cell,
): Cell[] => [state, quantity, at, part, good, undefined, bad, undefined, '']

function numberRow(
  state: string,
  quantity: string,
  at: string,
  part: string,
  unit: string,
  good?: number,
  bad?: number,
  band?: number,
): Cell[] {
  const change = good !== undefined && bad !== undefined ? bad - good : undefined
  return [state, quantity, at, part, round(good), round(band), round(bad), round(change), unit]
}

function stateRows(state: StateKey, other: StateKey | null): Cell[][] {
  const name = state.state.name
  const drops = dropRows(state, other)
  const fuses = fuseTable(state, other)
  return [
    ...pointRows(state, other).map((row) => figureRow(name, pointColumns, row)),
    ...drops.map((row) => figureRow(name, [...dropColumns, bandColumn], row)),
    ...state.balances.flatMap((b, i) => {
      const o = other?.balances[i]
      const line = (
        quantity: string,
        part: string,
        unit: string,
        good?: number,
        bad?: number,
        band?: number,
      ) => numberRow(name, quantity, b.path, part, unit, good, bad, band)
      return [
        line('source', '', 'V', b.source, o?.source),
        line('feed loss', '', 'V', b.feedLoss.value, o?.feedLoss.value, b.feedLoss.band),
        line('load drop', b.load ?? '', 'V', b.loadDrop.value, o?.loadDrop.value, b.loadDrop.band),
        line('return loss', '', 'V', b.returnLoss.value, o?.returnLoss.value, b.returnLoss.band),
        line('remainder', '', 'V', b.remainder, o?.remainder),
        line('current', b.load ?? '', 'A', b.amps, o?.amps),
      ]
    }),
    ...state.drops.map((row, i) =>
      numberRow(name, 'current', `${row.from} to ${row.to}`, row.part, 'A', row.amps, other?.drops[i]?.amps),
    ),
    ...swingRows(state, other),
    ...fuses.flatMap((row, i) => [
      figureRow(name, [...fuseColumns(() => ''), bandColumn], row),
      numberRow(
        name,
        'fuse amps by table',
        row.at,
        row.part,
        'A',
        state.fuses[i]!.tableAmps,
        other?.fuses[i]?.tableAmps,
      ),
    ]),
    ...clampTable(state, other).map((row) => figureRow(name, clampColumns, row)),
    ...state.notices.map((row, i) =>
      wordRow(name, 'notice', '', row.part, row.text, other?.notices[i]?.text),
    ),
    ...state.scans.flatMap((scan, s) =>
      scan.rows.map((row, i) =>
        wordRow(name, 'scan tool', row.name, scan.part, row.value, other?.scans[s]?.rows[i]?.value),
      ),
    ),
    ...[...new Set([...state.blown, ...(other?.blown ?? [])])].map((part) => {
      const word = (key: StateKey) => (key.blown.includes(part) ? 'blown' : 'sound')
      return wordRow(name, 'fuse', '', part, word(state), other ? word(other) : undefined)
    }),
  ]
}

/** A file has the band of every figure; on screen some tables have no room for it. */
const bandColumn: Column<Figure> = {
  key: 'band',
  head: () => '',
  text: () => '',
  cell: (row) => row.band,
}

/** What swings has its extremes besides. */
const swingRows = (good: StateKey, bad: StateKey | null): Cell[][] =>
  good.points.flatMap((row, i) => {
    const now = bad?.points[i]
    if (!row.swing && !now?.swing) return []
    return ([0, 1] as const).map((end) =>
      numberRow(
        good.state.name,
        end ? 'highest' : 'lowest',
        row.name,
        '',
        'V',
        row.swing?.[end] ?? row.value,
        now?.swing?.[end] ?? now?.value,
      ),
    )
  })
