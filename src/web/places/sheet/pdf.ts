import { formatPlain, formatQuantity, t, tell } from '../../words'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import {
  columnsFor,
  dropAmps,
  dropColumns,
  dropRows,
  isolatedColumns,
  isolatedTable,
  limitSetFor,
  type LimitSet,
  pointColumns,
  pointRows,
  volts as plainVolts,
  type AnswerKey,
  type Arrange,
  type Column,
  type Figure,
  type StateKey,
} from '../../../core/readings'
import type { BuildSheet } from '../../../core/workshop'
import { caution, make, page, table } from '../../parts/pdf'
import { drawingSvg } from '../../schematic/svg'

/** Volts as they are printed, or that there are none. */
const volts = (value: number | undefined): string => t(plainVolts(value))

/** Rows by the columns of the key's own model; what the fault changes stands out. */
function tableOf<R extends Figure>(
  columns: readonly Column<R>[],
  rows: readonly R[],
  beside: boolean,
): Content {
  const shown = columnsFor(columns, beside)
  return table(
    shown.map((column) => t(column.head(beside))),
    rows.map((row) =>
      shown.map((column): TableCell => {
        const text = t(column.text(row))
        return column.faulted && row.bad ? { text, style: 'bad' } : text
      }),
    ),
  )
}

function top(circuit: Circuit, title: string, wide = false): Content[] {
  return [
    { text: title, style: 'title' },
    {
      text: [circuit.vehicle, circuit.note].filter(Boolean).join(' · '),
      style: 'quiet',
      margin: [0, 2, 0, 6],
    },
    {
      svg: drawingSvg(circuit, { face: 'Roboto' }),
      fit: wide ? [760, 400] : [520, 380],
      margin: [0, 0, 0, 4],
    },
  ]
}

export interface KeyToPrint {
  readonly circuit: Circuit
  readonly healthy: AnswerKey
  readonly faulted: AnswerKey | null
  readonly faults: readonly Fault[]
  readonly limits: string
}

/** The instructor's answer key: the drawing, and each state's figures, healthy beside faulted; rows as picked. */
export const keyPdf = (key: KeyToPrint, arrange: Arrange): Promise<Blob> => make(keyPage(key, arrange))

export function keyPage(
  { circuit, healthy, faulted, faults, limits }: KeyToPrint,
  arrange: Arrange,
): TDocumentDefinitions {
  const states = healthy.states.flatMap((state, i): Content[] => {
    if (!state.ok) return [{ text: `${state.state.name}: ${tell(state.why)}`, style: 'bad' }]
    const found = faulted?.states[i]
    return stateContent(state, found?.ok ? found : null, limitSetFor(circuit, limits), arrange)
  })
  const isolated = tableOf(
    isolatedColumns,
    arrange(isolatedTable(healthy.isolated, faulted?.isolated ?? null)),
    faulted !== null,
  )
  return page(t('Answer key: {name}', { name: circuit.name }), [
    ...top(circuit, t('Answer key: {name}', { name: circuit.name })),
    ...(faults.length
      ? [
          {
            text: t('Planted: {join}', { join: faults.map((f) => t(describeFault(circuit, f))).join('; ') }),
            bold: true,
          },
        ]
      : []),
    ...states,
    { text: t('Isolated, each part by itself'), style: 'state' },
    isolated,
    { text: caution(), italics: true, margin: [0, 10, 0, 0] },
  ])
}

function stateContent(
  state: StateKey,
  other: StateKey | null,
  limits: LimitSet,
  arrange: Arrange,
): Content[] {
  const closing = state.balances.map((b, i) => {
    const now = other ?? state
    const verdict = limits.judge(now.balances[i]!, now.walks[i]!)
    const n = now.balances[i]!
    const mark = verdict.passes === null ? '' : verdict.passes ? t('passes') : t('FAILS')
    return t(
      '{path}: source {source} = feed {volts} (available {volts2}) + load {volts3} + return {volts4} at {n}. {verdict}',
      {
        path: b.load ?? b.path,
        source: volts(n.source),
        volts: volts(n.feedLoss.value),
        volts2: volts(n.feedLoss.value === undefined ? undefined : n.source - n.feedLoss.value),
        volts3: volts(n.loadDrop.value),
        volts4: volts(n.returnLoss.value),
        n: formatQuantity(n.amps, 'A'),
        verdict: [mark, tell(verdict.reason)].filter(Boolean).join(' '),
      },
    )
  })
  // On paper there is no room for the difference: the two numbers stand side by side.
  const short = <R>(columns: readonly Column<R>[]) =>
    columns.filter(({ key, spare }) => key !== 'difference' && !spare)
  const points = tableOf(short(pointColumns), arrange(pointRows(state, other)), other !== null)
  const drops = tableOf([...short(dropColumns), dropAmps], arrange(dropRows(state, other)), other !== null)
  const now = other ?? state
  const fuses = now.fuses.map(
    ({ part, value, tableAmps, why }) =>
      `${part} ${volts(value)}${why ? `: ${tell(why)}` : t(', about {tableAmps}', { tableAmps: formatQuantity(tableAmps, 'A') })}`,
  )
  const clamps = now.places.map(
    ({ place, amps, conductors }) =>
      `${place} ${formatQuantity(amps, 'A')} (${conductors.map((c) => `${c.part} ${formatQuantity(c.amps, 'A')}`).join(', ')})`,
  )
  const more = [
    ...(fuses.length ? [t('Across fuses: {join}', { join: fuses.join(' · ') })] : []),
    ...(clamps.length ? [t('By clamp: {join}', { join: clamps.join(' · ') })] : []),
  ]
  const seen = (other ?? state).notices.map((n) => `${n.part} ${t(n.text)}`).join(' · ')
  return [
    { text: state.state.name, style: 'state' },
    { text: [seen, ...closing, ...more].filter(Boolean).join('\n'), margin: [0, 0, 0, 4] },
    {
      columns: [
        { width: '38%', stack: [points] },
        { width: '62%', stack: [drops] },
      ],
      columnGap: 14,
    },
  ]
}

/** A blank worksheet: the drawing, where to measure, and room for prediction, reading and what it tells. Nothing of the key. */
export const worksheetPdf = (...what: Parameters<typeof worksheetPage>): Promise<Blob> =>
  make(worksheetPage(...what))

export function worksheetPage(
  circuit: Circuit,
  key: AnswerKey,
  complaint: string,
  arrange: Arrange,
): TDocumentDefinitions {
  const rows = key.states.flatMap((state): Content[] => {
    if (!state.ok) return []
    const blank = arrange(pointRows(state, null)).filter((p) => p.node !== 0)
    return [
      { text: state.state.name, style: 'state' },
      table(
        [
          t('Red lead'),
          t('Black lead'),
          t('I predict'),
          t('I read'),
          t('In order?'),
          t('What it tells me: cleared, suspect'),
        ],
        blank.map((p) => [p.at, '', '', '', '', '']),
        [46, 52, 62, 62, 52, '*'],
      ),
    ]
  })
  return page(t('Worksheet: {name}', { name: circuit.name }), [
    ...top(circuit, circuit.name),
    {
      text: t('Name ______________________________   Date ____________   Board ______'),
      margin: [0, 4, 0, 6],
    },
    ...(complaint ? [{ text: t('Complaint: {complaint}', { complaint }), bold: true }] : []),
    {
      text: t(
        'Verify the complaint first. Predict before you measure. Note the state, the points and the function every time.',
      ),
    },
    ...rows,
    { text: t('My conclusion, the evidence for it, and how I proved the repair:'), style: 'state' },
    { text: '\n\n\n\n' },
    { text: caution(), italics: true },
  ])
}

/** What is built, cut, labelled and proven. */
export const buildPdf = (circuit: Circuit, sheet: BuildSheet): Promise<Blob> =>
  make(buildPage(circuit, sheet))

export function buildPage(circuit: Circuit, sheet: BuildSheet): TDocumentDefinitions {
  const heading = (text: string): Content => ({ text, style: 'state' })
  return page(t('Build sheet: {name}', { name: circuit.name }), [
    ...top(circuit, t('Build sheet: {name}', { name: circuit.name })),
    heading(t('Cautions')),
    { ul: [...sheet.cautions.map((c) => t(c)), ...sheet.warnings.map((w) => tell(w.text))] },
    heading(t('Parts')),
    table(
      [t('No.'), t('Part'), t('Values'), t('Short names'), t('For')],
      sheet.parts.map((p) => [String(p.ids.length), t(p.title), t(p.values), p.ids.join(', '), p.names]),
    ),
    heading(t('Wires to cut')),
    table(
      [t('Wire'), t('From'), t('To'), 'mm²', 'AWG', t('Cut at'), t('Runs'), t('Good for')],
      sheet.wires.map((w) => [
        w.id,
        w.from,
        w.to,
        formatPlain(w.section),
        String(w.gauge),
        formatQuantity(w.cut, 'm'),
        formatQuantity(w.amps, 'A'),
        `${formatPlain(w.carries, 2)} A`,
      ]),
    ),
    heading(t('Connectors and pins')),
    table(
      [t('Plug'), t('Pin'), t('Meets')],
      sheet.plugs.flatMap((p) =>
        p.pins.map((pin, i) => [i ? '' : `${p.id} ${t(p.title)}`, pin.name, pin.meets]),
      ),
    ),
    heading(t('Fuses')),
    table(
      [t('Fuse'), t('Fit'), t('Runs at')],
      sheet.fuses.map((f) => [`${f.id} ${t(f.name)}`, t(f.fit), formatQuantity(f.amps, 'A')]),
    ),
    heading(t('Gets hot')),
    table(
      [t('Part'), t('Sheds'), t('In')],
      sheet.hot.map((h) => [`${h.part} ${t(h.name)}`, formatQuantity(h.watts, 'W'), h.state]),
    ),
    heading(t('Fault hardware')),
    sheet.hardware.length
      ? {
          ul: sheet.hardware.map(
            (h) =>
              `${t(describeFault(circuit, h.fault))}: ${t(h.built)}${h.resistor ? ` ${formatQuantity(h.resistor.pair.total, 'Ω')}, ${h.resistor.rating ?? '?'} W.` : ''} ${h.caution ? t(h.caution) : ''}`,
          ),
        }
      : { text: t('No fault planted.'), style: 'quiet' },
    { text: t('Labels, to print and stick on'), style: 'state', pageBreak: 'before' },
    labels(sheet.labels),
    heading(t('Commissioning: expected and measured')),
    table(
      [t('State'), t('Point'), t('Expected'), '±', t('Measured')],
      sheet.commissioning.map((c) => [c.stateName, c.point, volts(c.value), volts(c.band), '']),
      [150, 60, 70, 70, '*'],
    ),
  ])
}

function labels(list: BuildSheet['labels']): Content {
  const columns = 5
  const rows: TableCell[][] = []
  for (let i = 0; i < list.length; i += columns)
    rows.push(
      Array.from({ length: columns }, (_, c): TableCell => {
        const label = list[i + c]
        return label
          ? {
              stack: [
                { text: label.name, bold: true, fontSize: 13 },
                { text: `${label.part} ${t(label.title)}`.trim(), fontSize: 6, style: 'quiet' },
              ],
              margin: [3, 3, 3, 3],
            }
          : ''
      }),
    )
  return {
    table: { widths: Array.from({ length: columns }, () => '*'), body: rows },
    layout: { hLineStyle: () => ({ dash: { length: 2 } }), vLineStyle: () => ({ dash: { length: 2 } }) },
  }
}
