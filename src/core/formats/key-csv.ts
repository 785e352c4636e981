import { figures, type Words } from '../document'
import type { Circuit } from '../circuit'
import { describeFault, type Fault } from '../faults'
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
  limitSetFor,
  type AnswerKey,
  type Balance,
  type Column,
  type Figure,
  type FuseRow,
  type LimitSet,
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
  tell: (words: Words) => string,
  { circuit, faults = [], limits = limitSetFor(circuit) }: KeyOf,
): string {
  const rows: Cell[][] = faults.map((fault) =>
    wordRow('all', 'planted', '', fault.part, undefined, tell(describeFault(circuit, fault))),
  )
  healthy.states.forEach((state, i) => {
    const other = faulted?.states[i]
    if (state.ok) rows.push(...stateRows(state, other?.ok ? other : null, { limits, tell }))
    else rows.push([state.state.name, 'state', tell(state.why)])
  })
  for (const row of isolatedTable(healthy.isolated, faulted?.isolated ?? null)) {
    rows.push(figureRow('isolated', isolatedColumns, row))
    const beep = (beeps: boolean | undefined) =>
      beeps === undefined ? undefined : beeps ? 'beep' : 'no beep'
    rows.push(wordRow('isolated', 'continuity', row.at, row.part, beep(row.beeps), beep(row.otherBeeps)))
  }
  return toCsv(header, rows)
}

/** What the key is of: the circuit, what is planted in it, and by which limits its losses are judged. */
export interface KeyOf {
  readonly circuit: Circuit
  readonly faults?: readonly Fault[]
  readonly limits?: LimitSet
}

/** A figure's cells by the keys of its columns. */
function figureRow<R extends Figure>(state: string, columns: readonly Column<R>[], row: R): Cell[] {
  // What nothing holds has no number: it is said, not left empty.
  const floats = (key: string) => columns.some((c) => c.key === key) && row.unit === 'V'
  const cell = (key: string) => {
    const found = round(cellOf(columns, key, row))
    if (found !== undefined || !floats(key)) return found
    return key === 'healthy' || (key === 'faulted' && row.beside) ? 'floating' : undefined
  }
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

function stateRows(
  state: StateKey,
  other: StateKey | null,
  { limits, tell }: { limits: LimitSet; tell: (words: Words) => string },
): Cell[][] {
  const name = state.state.name
  const said = (words: Words | undefined) => words && tell(words)
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
        line('available voltage', b.load ?? '', 'V', availableOf(b), o && availableOf(o), b.feedLoss.band),
        line('load drop', b.load ?? '', 'V', b.loadDrop.value, o?.loadDrop.value, b.loadDrop.band),
        line('return loss', '', 'V', b.returnLoss.value, o?.returnLoss.value, b.returnLoss.band),
        line('remainder', '', 'V', b.remainder, o?.remainder),
        line('current', b.load ?? '', 'A', b.amps, o?.amps),
        wordRow(
          name,
          'verdict',
          b.path,
          b.load ?? '',
          verdictOf(limits, b, state.walks[i]!, tell),
          o && verdictOf(limits, o, other!.walks[i]!, tell),
        ),
      ]
    }),
    ...state.drops.map((row, i) =>
      numberRow(name, 'current', `${row.from} to ${row.to}`, row.part, 'A', row.amps, other?.drops[i]?.amps),
    ),
    ...extremesRows(state, other),
    ...fuses.flatMap((row, i) => [
      figureRow(name, [...fuseColumns, bandColumn], row),
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
    ...fuses.flatMap((row, i) => {
      const said = (fuse: FuseRow | undefined) => fuse && (fuse.why ? tell(fuse.why) : 'in its honest range')
      return [wordRow(name, 'fuse table', row.at, row.part, said(state.fuses[i]), said(other?.fuses[i]))]
    }),
    ...clampTable(state, other).map((row) => figureRow(name, clampColumns, row)),
    ...state.places.flatMap((place, i) =>
      place.conductors.map(({ part, amps }, k) =>
        numberRow(
          name,
          'clamp round one conductor',
          place.place,
          part,
          'A',
          amps,
          other?.places[i]?.conductors[k]?.amps,
        ),
      ),
    ),
    ...state.notices.map((row, i) =>
      wordRow(name, 'notice', '', row.part, tell(row.text), said(other?.notices[i]?.text)),
    ),
    ...state.scans.flatMap((scan, s) =>
      scan.rows.map((row, i) =>
        wordRow(
          name,
          'scan tool',
          tell(row.name),
          scan.part,
          tell(row.value),
          said(other?.scans[s]?.rows[i]?.value),
        ),
      ),
    ),
    ...[...new Set([...state.blown, ...(other?.blown ?? [])])].map((part) => {
      const word = (key: StateKey) => (key.blown.includes(part) ? 'blown' : 'sound')
      return wordRow(name, 'fuse', '', part, word(state), other ? word(other) : undefined)
    }),
  ]
}

/** Volts that arrive at the load, over the battery’s negative side of its path. */
const availableOf = ({ source, feedLoss }: Balance): number | undefined =>
  feedLoss.value === undefined ? undefined : source - feedLoss.value

function verdictOf(
  limits: LimitSet,
  balance: Balance,
  walk: StateKey['walks'][number],
  tell: (words: Words) => string,
): string {
  const { passes, reason } = limits.judge(balance, walk)
  const said = passes === null ? 'no verdict' : passes ? 'passes' : 'fails'
  return `${said}: ${tell(reason)} (${tell(limits.title)})`
}

/** A file has the band of every figure; on screen some tables have no room for it. */
const bandColumn: Column<Figure> = {
  key: 'band',
  head: () => figures(''),
  text: () => figures(''),
  cell: (row) => row.band,
}

/** Points in a limit cycle have their extremes besides. */
const extremesRows = (good: StateKey, bad: StateKey | null): Cell[][] =>
  good.points.flatMap((row, i) => {
    const now = bad?.points[i]
    if (!row.extremes && !now?.extremes) return []
    return ([0, 1] as const).map((end) =>
      numberRow(
        good.state.name,
        end ? 'highest' : 'lowest',
        row.name,
        '',
        'V',
        row.extremes?.[end] ?? row.value,
        now?.extremes?.[end] ?? now?.value,
      ),
    )
  })
