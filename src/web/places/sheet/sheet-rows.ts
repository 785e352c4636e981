import {
  clampColumns,
  clampTable,
  columnsFor,
  dropColumns,
  dropRows,
  fuseColumns,
  fuseTable,
  isolatedColumns,
  isolatedTable,
  pointColumns,
  pointRows,
  type Arrange,
  type AnswerKey,
  type Column,
  type Figure,
  type StateKey,
} from '../../../core/readings'
import { t, tell } from '../../words'

/** What is measured: each kind of figure is a section of the one table. */
export const sections = ['points', 'drops', 'fuses', 'clamps', 'scans', 'isolated'] as const
export type Section = (typeof sections)[number]

/** A state with its healthy board, and the faulted one beside it. */
export interface StatePair {
  readonly id: string
  readonly state: StateKey
  readonly faulted: StateKey | null
}

/** What is read in one state. */
export interface Cell {
  readonly healthy: string
  readonly faulted: string
  readonly bad: boolean
}

/** A line of the sheet: the heading of a section, or a figure of it. */
export interface SheetRow {
  readonly key: string
  readonly section: Section
  readonly heading: boolean
  /** What its pin is known by; none for what cannot be pinned. */
  readonly id: string
  readonly part: string
  readonly at: string
  readonly what: string
  readonly band: string
  readonly difference: string
  readonly note: string
  readonly bad: boolean
  /** One for each state that is shown. */
  readonly cells: readonly Cell[]
}

interface Made {
  readonly figure: Figure
  readonly cell: Cell
  readonly text: (column: string) => string
}

/** Figures of one section in one state, with the words of its columns. */
function made<R extends Figure>(columns: readonly Column<R>[], rows: readonly R[], beside: boolean): Made[] {
  const shown = columnsFor(columns, beside)
  return rows.map((figure) => {
    const text = (key: string) => {
      const column = shown.find((c) => c.key === key)
      return column ? tell(column.text(figure)) : ''
    }
    return { figure, text, cell: { healthy: text('healthy'), faulted: text('faulted'), bad: figure.bad } }
  })
}

const of: Readonly<Record<Exclude<Section, 'scans' | 'isolated'>, (pair: StatePair) => Made[]>> = {
  points: ({ state, faulted }) => made(pointColumns, pointRows(state, faulted), faulted !== null),
  drops: ({ state, faulted }) => made(dropColumns, dropRows(state, faulted), faulted !== null),
  fuses: ({ state, faulted }) => made(fuseColumns, fuseTable(state, faulted), faulted !== null),
  clamps: ({ state, faulted }) => made(clampColumns, clampTable(state, faulted), faulted !== null),
}

const joined = (...words: string[]) => words.filter(Boolean).join(', ')

/** A section's rows over all states that are shown, picked and put in order by what stands furthest apart. */
function rowsOf(section: keyof typeof of, pairs: readonly StatePair[], arrange: Arrange): SheetRow[] {
  const known = new Map<string, (Made | undefined)[]>()
  pairs.forEach((pair, i) => {
    for (const one of of[section](pair)) {
      const row = known.get(one.figure.id) ?? Array.from({ length: pairs.length }, () => undefined)
      row[i] = one
      known.set(one.figure.id, row)
    }
  })
  const rows = [...known.values()].map((all) => {
    const there = all.flatMap((one) => one ?? [])
    const first = there[0]!
    return {
      ...first.figure,
      size: Math.max(...there.map(({ figure }) => figure.size)),
      difference: Math.max(...there.map(({ figure }) => figure.difference)),
      bad: there.some(({ figure }) => figure.bad),
      first,
      all,
    }
  })
  return arrange(rows).map(({ id, part, at, title, bad, first, all }) => ({
    key: `${section} ${id}`,
    section,
    heading: false,
    id,
    part: section === 'clamps' ? at : part || at,
    at: section === 'fuses' ? part : at,
    what: section === 'drops' ? joined(tell(title), first.text('side')) : tell(title),
    band: first.text('band'),
    difference: first.text('difference'),
    note:
      section === 'fuses'
        ? joined(first.text('tableAmps'), first.text('honest'))
        : section === 'clamps'
          ? first.text('alone')
          : '',
    bad,
    cells: all.map((one) => one?.cell ?? { healthy: '', faulted: '', bad: false }),
  }))
}

function scansOf(pairs: readonly StatePair[]): SheetRow[] {
  const known = new Map<string, SheetRow>()
  pairs.forEach((pair, i) => {
    for (const scan of pair.state.scans)
      scan.rows.forEach((row, n) => {
        const key = `scans ${scan.part} ${n}`
        const other = pair.faulted?.scans.find((s) => s.part === scan.part)?.rows[n]
        const old = known.get(key)
        const cells = old
          ? [...old.cells]
          : Array.from({ length: pairs.length }, () => ({ healthy: '', faulted: '', bad: false }))
        const [healthy, faulted] = [tell(row.value), other ? tell(other.value) : '']
        cells[i] = { healthy, faulted, bad: other !== undefined && healthy !== faulted }
        known.set(key, {
          key,
          section: 'scans',
          heading: false,
          id: '',
          part: scan.part,
          at: scan.part,
          what: tell(row.name),
          band: '',
          difference: '',
          note: '',
          bad: cells.some((c) => c.bad),
          cells,
        })
      })
  })
  return [...known.values()]
}

/** Each part by itself on the ohmmeter: in no state, the same in every column’s first. */
function isolatedOf(
  healthy: AnswerKey['isolated'],
  faulted: AnswerKey['isolated'] | null,
  states: number,
  arrange: Arrange,
): SheetRow[] {
  return arrange(isolatedTable(healthy, faulted)).map((figure) => {
    const [one] = made(isolatedColumns, [figure], faulted !== null)
    const { text } = one!
    const cell: Cell = {
      healthy: joined(text('healthy'), text('beeps')),
      faulted: joined(text('faulted'), text('otherBeeps')),
      bad: figure.bad,
    }
    return {
      key: `isolated ${figure.id}`,
      section: 'isolated',
      heading: false,
      id: figure.id,
      part: figure.part,
      at: figure.at,
      what: tell(figure.title),
      band: '',
      difference: '',
      note: '',
      bad: figure.bad,
      cells: Array.from({ length: states }, (_, i) => (i ? { healthy: '', faulted: '', bad: false } : cell)),
    }
  })
}

/**
 * The one table of the answer key: sections under their headings, one cell for each state that is shown.
 * @param wanted sections to show, all unless said
 */
export function sheetRows(given: {
  readonly pairs: readonly StatePair[]
  readonly isolated: AnswerKey['isolated']
  readonly isolatedFaulted: AnswerKey['isolated'] | null
  readonly arrange: Arrange
  readonly wanted?: readonly Section[]
}): SheetRow[] {
  const { pairs, arrange, wanted = sections } = given
  return wanted.flatMap((section) => {
    const rows =
      section === 'scans'
        ? scansOf(pairs)
        : section === 'isolated'
          ? isolatedOf(given.isolated, given.isolatedFaulted, pairs.length, arrange)
          : rowsOf(section, pairs, arrange)
    if (!rows.length) return []
    const heading: SheetRow = {
      key: section,
      section,
      heading: true,
      id: '',
      part: '',
      at: t(`ui.sheet.section.${section}`),
      what: '',
      band: '',
      difference: '',
      note: '',
      bad: false,
      cells: [],
    }
    return [heading, ...rows]
  })
}
