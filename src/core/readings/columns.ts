import { figures, say, messageOf, type Message, type Words } from '../document'
import { formatQuantity } from '../quantity'
import {
  writeVolts,
  type ClampFigure,
  type DropFigure,
  type Figure,
  type FuseFigure,
  type IsolatedFigure,
} from './rows'

/**
 * One column of a table of the key. What is shown on screen and what is printed is `text`; a file that is exported has
 * `cell`, the bare value, where there is one.
 */
export interface Column<R> {
  readonly key: string
  readonly head: (faulted: boolean) => Words
  readonly text: (row: R) => Words
  readonly cell?: (row: R) => number | string | undefined
  /** It is a number: set flush right, in tabular figures. */
  readonly number?: true
  /** Only where a faulted board stands beside the healthy one. */
  readonly faulted?: true
  readonly quiet?: true
  /** Short names, in the face of readings. */
  readonly name?: true
  /** The place is narrow: it may go. */
  readonly spare?: true
}

const nothing = figures('')
const amps = (value: number): Message => figures(formatQuantity(value, 'A'))
const written = (change: number | undefined): Words =>
  change === undefined ? nothing : Math.abs(change) < 0.0005 ? figures('–') : writeVolts(change)

/** Columns that every figure in volts has. */
const healthy: Column<Figure> = {
  key: 'healthy',
  head: (faulted) => (faulted ? 'readings.columns.healthy' : 'readings.columns.expected'),
  text: (row) => writeVolts(row.healthy),
  cell: (row) => row.healthy,
  number: true,
}
const band: Column<Figure> = {
  key: 'band',
  head: () => 'readings.columns.band',
  text: (row) =>
    row.healthy === undefined || row.band === undefined
      ? nothing
      : say('readings.plusMinus', { volts: messageOf(writeVolts(row.band)) }),
  cell: (row) => row.band,
  number: true,
  quiet: true,
}
const faulted: Column<Figure> = {
  key: 'faulted',
  head: () => 'readings.columns.faulted',
  text: (row) => (row.beside ? writeVolts(row.faulted) : nothing),
  cell: (row) => row.faulted,
  number: true,
  faulted: true,
}
const difference: Column<Figure> = {
  key: 'difference',
  head: () => 'readings.columns.difference',
  text: (row) => written(row.change),
  cell: (row) => row.change,
  number: true,
  faulted: true,
}
const at = (head: Words): Column<Figure> => ({
  key: 'at',
  head: () => head,
  text: (row) => figures(row.at),
  cell: (row) => row.at,
  name: true,
})

export const pointColumns: readonly Column<Figure>[] = [
  at('readings.columns.point'),
  healthy,
  band,
  faulted,
  difference,
]

export const dropColumns: readonly Column<DropFigure>[] = [
  at('readings.columns.fromTo'),
  { key: 'part', head: () => 'readings.columns.piece', text: (row) => row.title, cell: (row) => row.part },
  {
    key: 'side',
    head: () => 'readings.columns.side',
    text: (row) => say('readings.side', { side: row.side }),
    cell: (row) => row.side,
    quiet: true,
    spare: true,
  },
  { ...healthy, head: (beside) => (beside ? 'readings.columns.healthy' : 'readings.columns.drop') },
  faulted,
  difference,
]
/** On paper the amps go with the drops. */
export const dropAmps: Column<DropFigure> = {
  key: 'amps',
  head: () => 'readings.columns.amps',
  text: (row) => amps(row.amps),
  cell: (row) => row.amps,
  number: true,
}

const beep = (beeps: boolean | undefined): Words =>
  beeps === undefined ? nothing : beeps ? 'readings.beep' : 'readings.noBeep'
export const isolatedColumns: readonly Column<IsolatedFigure>[] = [
  { key: 'part', head: () => 'readings.columns.part', text: (row) => row.title, cell: (row) => row.part },
  at('readings.columns.between'),
  {
    key: 'healthy',
    head: () => 'readings.columns.ohms',
    text: (row) => figures(row.shown),
    cell: (row) => row.healthy ?? 'OL',
    number: true,
  },
  { key: 'beeps', head: () => 'readings.columns.continuity', text: (row) => beep(row.beeps) },
  {
    key: 'faulted',
    head: () => 'readings.columns.ohmsFaulted',
    text: (row) => figures(row.other),
    cell: (row) => (row.beside ? (row.faulted ?? 'OL') : undefined),
    number: true,
    faulted: true,
  },
  {
    key: 'otherBeeps',
    head: () => 'readings.columns.continuityFaulted',
    text: (row) => beep(row.otherBeeps),
    faulted: true,
  },
]

export const fuseColumns: readonly Column<FuseFigure>[] = [
  {
    key: 'part',
    head: () => 'readings.columns.fuse',
    text: (row) => say('readings.pieceOf', { part: row.part, name: row.name }),
    cell: (row) => row.part,
  },
  { ...healthy, head: () => 'readings.columns.healthy' },
  faulted,
  {
    key: 'tableAmps',
    head: () => 'readings.columns.byTheTable',
    text: (row) => amps(row.now.tableAmps),
    cell: (row) => row.now.tableAmps,
    number: true,
  },
  {
    key: 'honest',
    head: () => 'readings.columns.holds',
    text: (row) => row.now.why ?? 'readings.columns.yes',
  },
]

export const clampColumns: readonly Column<ClampFigure>[] = [
  {
    key: 'at',
    head: () => 'readings.columns.place',
    text: (row) => say('readings.pieceOf', { part: row.at, name: row.name }),
    cell: (row) => row.at,
  },
  { ...healthy, head: () => 'readings.columns.healthy', text: (row) => amps(row.healthy ?? 0) },
  { ...faulted, text: (row) => (row.faulted === undefined ? nothing : amps(row.faulted)) },
  {
    key: 'alone',
    head: () => 'readings.columns.roundOneConductor',
    text: (row) =>
      figures(row.now.conductors.map((c) => `${c.part} ${formatQuantity(c.amps, 'A')}`).join(' · ')),
  },
]

/** The columns that such a table has. */
export const columnsFor = <R>(columns: readonly Column<R>[], beside: boolean): readonly Column<R>[] =>
  columns.filter((column) => beside || !column.faulted)

/** A cell of a row by its column's key, for files; undefined where there is no such column. */
export const cellOf = <R>(
  columns: readonly Column<R>[],
  key: string,
  row: R,
): number | string | undefined => {
  const column = columns.find((c) => c.key === key)
  return column?.cell?.(row)
}
