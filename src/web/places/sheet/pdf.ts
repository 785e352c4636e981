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
  writeVolts,
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
const volts = (value: number | undefined): string => tell(writeVolts(value))

/** Rows by the columns of the key's own model; what the fault changes stands out. */
function tableOf<R extends Figure>(
  columns: readonly Column<R>[],
  rows: readonly R[],
  beside: boolean,
): Content {
  const shown = columnsFor(columns, beside)
  return table(
    shown.map((column) => tell(column.head(beside))),
    rows.map((row) =>
      shown.map((column): TableCell => {
        const text = tell(column.text(row))
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
  return page(t('ui.sheet.answerKeyOf', { name: circuit.name }), [
    ...top(circuit, t('ui.sheet.answerKeyOf', { name: circuit.name })),
    ...(faults.length
      ? [
          {
            text: t('ui.common.planted', {
              join: faults.map((f) => tell(describeFault(circuit, f))).join('; '),
            }),
            bold: true,
          },
        ]
      : []),
    ...states,
    { text: t('ui.sheet.isolatedEachPartByItself'), style: 'state' },
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
    const mark = verdict.passes === null ? '' : verdict.passes ? t('ui.sheet.passes') : t('ui.sheet.fails')
    return t('ui.sheet.sourceFeedAvailableLoadReturn', {
      path: b.load ?? b.path,
      source: volts(n.source),
      volts: volts(n.feedLoss.value),
      volts2: volts(n.feedLoss.value === undefined ? undefined : n.source - n.feedLoss.value),
      volts3: volts(n.loadDrop.value),
      volts4: volts(n.returnLoss.value),
      n: formatQuantity(n.amps, 'A'),
      verdict: [mark, tell(verdict.reason)].filter(Boolean).join(' '),
    })
  })
  // On paper there is no room for the difference: the two numbers stand side by side.
  const short = <R>(columns: readonly Column<R>[]) =>
    columns.filter(({ key, spare }) => key !== 'difference' && !spare)
  const points = tableOf(short(pointColumns), arrange(pointRows(state, other)), other !== null)
  const drops = tableOf([...short(dropColumns), dropAmps], arrange(dropRows(state, other)), other !== null)
  const now = other ?? state
  const fuses = now.fuses.map(({ part, value, tableAmps, why }) =>
    why
      ? `${part} ${volts(value)}: ${tell(why)}`
      : t('ui.sheet.about', { part, volts: volts(value), amps: formatQuantity(tableAmps, 'A') }),
  )
  const clamps = now.places.map(
    ({ place, amps, conductors }) =>
      `${place} ${formatQuantity(amps, 'A')} (${conductors.map((c) => `${c.part} ${formatQuantity(c.amps, 'A')}`).join(', ')})`,
  )
  const more = [
    ...(fuses.length ? [t('ui.sheet.acrossFuses', { join: fuses.join(' · ') })] : []),
    ...(clamps.length ? [t('ui.sheet.byClamp', { join: clamps.join(' · ') })] : []),
  ]
  const seen = (other ?? state).notices.map((n) => `${n.part} ${tell(n.text)}`).join(' · ')
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
          t('ui.common.redLead'),
          t('ui.common.blackLead'),
          t('ui.sheet.iPredict'),
          t('ui.sheet.iRead'),
          t('ui.sheet.inOrder'),
          t('ui.sheet.whatItTellsMeCleared'),
        ],
        blank.map((p) => [p.at, '', '', '', '', '']),
        [46, 52, 62, 62, 52, '*'],
      ),
    ]
  })
  return page(t('ui.sheet.worksheet', { name: circuit.name }), [
    ...top(circuit, circuit.name),
    {
      text: t('ui.sheet.nameDateBoard'),
      margin: [0, 4, 0, 6],
    },
    ...(complaint ? [{ text: t('ui.sheet.complaint', { complaint }), bold: true }] : []),
    {
      text: t('ui.sheet.verifyTheComplaintFirstPredict'),
    },
    ...rows,
    { text: t('ui.sheet.myConclusionTheEvidenceFor'), style: 'state' },
    { text: '\n\n\n\n' },
    { text: caution(), italics: true },
  ])
}

/** What is built, cut, labelled and proven. */
export const buildPdf = (circuit: Circuit, sheet: BuildSheet): Promise<Blob> =>
  make(buildPage(circuit, sheet))

export function buildPage(circuit: Circuit, sheet: BuildSheet): TDocumentDefinitions {
  const heading = (text: string): Content => ({ text, style: 'state' })
  return page(t('ui.sheet.buildSheetOf', { name: circuit.name }), [
    ...top(circuit, t('ui.sheet.buildSheetOf', { name: circuit.name })),
    heading(t('ui.common.cautions')),
    { ul: [...sheet.cautions.map((c) => tell(c)), ...sheet.warnings.map((w) => tell(w.text))] },
    heading(t('ui.common.parts')),
    table(
      [
        t('ui.sheet.no'),
        t('ui.sheet.part'),
        t('ui.common.values'),
        t('ui.sheet.shortNames'),
        t('ui.sheet.for'),
      ],
      sheet.parts.map((p) => [
        String(p.ids.length),
        tell(p.title),
        tell(p.values),
        p.ids.join(', '),
        p.names,
      ]),
    ),
    heading(t('ui.sheet.wiresToCut')),
    table(
      [
        t('ui.sheet.wire'),
        t('ui.common.from'),
        t('ui.common.to'),
        'mm²',
        'AWG',
        t('ui.sheet.cutAt'),
        t('ui.sheet.runs'),
        t('ui.sheet.goodFor'),
      ],
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
    heading(t('ui.sheet.connectorsAndPins')),
    table(
      [t('ui.sheet.plug'), t('ui.common.pin'), t('ui.sheet.meets')],
      sheet.plugs.flatMap((p) =>
        p.pins.map((pin, i) => [i ? '' : `${p.id} ${tell(p.title)}`, pin.name, pin.meets]),
      ),
    ),
    heading(t('ui.sheet.fuses')),
    table(
      [t('ui.common.fuse'), t('ui.sheet.fit'), t('ui.sheet.runsAt')],
      sheet.fuses.map((f) => [`${f.id} ${tell(f.name)}`, tell(f.fit), formatQuantity(f.amps, 'A')]),
    ),
    heading(t('ui.sheet.getsHot')),
    table(
      [t('ui.sheet.part'), t('ui.sheet.sheds'), t('ui.sheet.in')],
      sheet.hot.map((h) => [`${h.part} ${tell(h.name)}`, formatQuantity(h.watts, 'W'), h.state]),
    ),
    heading(t('ui.sheet.faultHardware')),
    sheet.hardware.length
      ? {
          ul: sheet.hardware.map(
            (h) =>
              `${tell(describeFault(circuit, h.fault))}: ${tell(h.built)}${h.resistor ? ` ${formatQuantity(h.resistor.pair.total, 'Ω')}, ${h.resistor.rating ?? '?'} W.` : ''} ${h.caution ? tell(h.caution) : ''}`,
          ),
        }
      : { text: t('ui.sheet.noFaultPlanted'), style: 'quiet' },
    { text: t('ui.sheet.labelsToPrintAndStick'), style: 'state', pageBreak: 'before' },
    labels(sheet.labels),
    heading(t('ui.sheet.commissioningExpectedAndMeasured')),
    table(
      [t('ui.common.state'), t('ui.sheet.point'), t('ui.common.expected'), '±', t('ui.sheet.measured')],
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
                { text: `${label.part} ${tell(label.title)}`.trim(), fontSize: 6, style: 'quiet' },
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
