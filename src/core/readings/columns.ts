import { formatQuantity } from '../quantity'
import {
  volts,
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
  readonly head: (faulted: boolean) => string
  readonly text: (row: R) => string
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

const amps = (value: number): string => formatQuantity(value, 'A')
const written = (change: number | undefined): string =>
  change === undefined ? '' : Math.abs(change) < 0.0005 ? '–' : volts(change)

/** Columns that every figure in volts has. */
const healthy: Column<Figure> = {
  key: 'healthy',
  head: (faulted) => (faulted ? 'Healthy' : 'Expected'),
  text: (row) => volts(row.healthy),
  cell: (row) => row.healthy,
  number: true,
}
const band: Column<Figure> = {
  key: 'band',
  head: () => 'Band',
  text: (row) => (row.healthy === undefined || row.band === undefined ? '' : `± ${volts(row.band)}`),
  cell: (row) => row.band,
  number: true,
  quiet: true,
}
const faulted: Column<Figure> = {
  key: 'faulted',
  head: () => 'Faulted',
  text: (row) => (row.beside ? volts(row.faulted) : ''),
  cell: (row) => row.faulted,
  number: true,
  faulted: true,
}
const difference: Column<Figure> = {
  key: 'difference',
  head: () => 'Difference',
  text: (row) => written(row.change),
  cell: (row) => row.change,
  number: true,
  faulted: true,
}
const at = (head: string): Column<Figure> => ({
  key: 'at',
  head: () => head,
  text: (row) => row.at,
  name: true,
})

export const pointColumns: readonly Column<Figure>[] = [at('Point'), healthy, band, faulted, difference]

export const dropColumns: readonly Column<DropFigure>[] = [
  at('From – to'),
  { key: 'part', head: () => 'Piece', text: (row) => row.title, cell: (row) => row.part },
  { key: 'side', head: () => 'Side', text: (row) => row.side, quiet: true, spare: true },
  { ...healthy, head: (beside) => (beside ? 'Healthy' : 'Drop') },
  faulted,
  difference,
]
/** On paper the amps go with the drops. */
export const dropAmps: Column<DropFigure> = {
  key: 'amps',
  head: () => 'Amps',
  text: (row) => amps(row.amps),
  cell: (row) => row.amps,
  number: true,
}

const beep = (beeps: boolean | undefined): string => (beeps === undefined ? '' : beeps ? 'beep' : 'no beep')
export const isolatedColumns: readonly Column<IsolatedFigure>[] = [
  { key: 'part', head: () => 'Part', text: (row) => row.title, cell: (row) => row.part },
  at('Between'),
  {
    key: 'healthy',
    head: () => 'Ohms',
    text: (row) => row.shown,
    cell: (row) => row.healthy ?? 'OL',
    number: true,
  },
  { key: 'beeps', head: () => 'Continuity', text: (row) => beep(row.beeps) },
  {
    key: 'faulted',
    head: () => 'Ohms, faulted',
    text: (row) => row.other,
    cell: (row) => (row.beside ? (row.faulted ?? 'OL') : undefined),
    number: true,
    faulted: true,
  },
  {
    key: 'otherBeeps',
    head: () => 'Continuity, faulted',
    text: (row) => beep(row.otherBeeps),
    faulted: true,
  },
]

/** `why` makes the sentence of what spoils the table. */
export const fuseColumns = (
  why: (message: NonNullable<FuseFigure['now']['why']>) => string,
): readonly Column<FuseFigure>[] => [
  { key: 'part', head: () => 'Fuse', text: (row) => `${row.part} ${row.name}`, cell: (row) => row.part },
  { ...healthy, head: () => 'Healthy' },
  faulted,
  {
    key: 'tableAmps',
    head: () => 'By the table',
    text: (row) => amps(row.now.tableAmps),
    cell: (row) => row.now.tableAmps,
    number: true,
  },
  { key: 'honest', head: () => 'Holds', text: (row) => (row.now.why ? why(row.now.why) : 'yes') },
]

export const clampColumns: readonly Column<ClampFigure>[] = [
  { key: 'at', head: () => 'Place', text: (row) => `${row.at} ${row.name}`, cell: (row) => row.at },
  { ...healthy, head: () => 'Healthy', text: (row) => amps(row.healthy ?? 0) },
  { ...faulted, text: (row) => (row.faulted === undefined ? '' : amps(row.faulted)) },
  {
    key: 'alone',
    head: () => 'Round one conductor',
    text: (row) => row.now.conductors.map((c) => `${c.part} ${amps(c.amps)}`).join(' · '),
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
  return column && (column.cell ? column.cell(row) : column.text(row))
}
