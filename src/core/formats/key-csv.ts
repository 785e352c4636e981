import type { AnswerKey, StateKey } from '../readings'
import { toCsv, type Cell } from './csv'

const round = (value: number | undefined, digits = 5): Cell =>
  value === undefined || Number.isNaN(value) ? undefined : Number(value.toFixed(digits))

/** The answer key as one table: a row per state and quantity, healthy beside faulted. SI units. */
export function keyToCsv(healthy: AnswerKey, faulted: AnswerKey | undefined): string {
  const rows: Cell[][] = []
  healthy.states.forEach((state, i) => {
    const other = faulted?.states[i]
    if (!state.ok) return rows.push([state.state.name, 'state', state.message])
    rows.push(...stateRows(state, other?.ok ? other : undefined))
    return undefined
  })
  healthy.isolated.forEach((row, i) => {
    const other = faulted?.isolated[i]
    const difference =
      row.ohms.value !== undefined && other?.ohms.value !== undefined
        ? other.ohms.value - row.ohms.value
        : undefined
    rows.push([
      'isolated',
      'ohms',
      row.between,
      row.part,
      row.ohms.value ?? 'OL',
      undefined,
      other ? (other.ohms.value ?? 'OL') : undefined,
      round(difference),
      'Ω',
    ])
    const beep = (r: typeof row | undefined) => r && (r.continuity.beeps ? 'beep' : 'no beep')
    rows.push([
      'isolated',
      'continuity',
      row.between,
      row.part,
      beep(row),
      undefined,
      beep(other),
      undefined,
      '',
    ])
  })
  return toCsv(['state', 'quantity', 'at', 'part', 'healthy', 'band', 'faulted', 'difference', 'unit'], rows)
}

function stateRows(state: StateKey, other: StateKey | undefined): Cell[][] {
  const name = state.state.name
  const line = (
    quantity: string,
    at: string,
    part: string,
    unit: string,
    good?: number,
    band?: number,
    bad?: number,
  ): Cell[] => [
    name,
    quantity,
    at,
    part,
    round(good),
    round(band),
    round(bad),
    good !== undefined && bad !== undefined ? round(bad - good) : undefined,
    unit,
  ]
  const same = <T extends { name: string }>(list: readonly T[] | undefined, row: T, i: number) =>
    list?.[i]?.name === row.name ? list[i] : undefined
  return [
    ...state.points.flatMap((row, i) =>
      row.inside
        ? []
        : [line('voltage', row.name, '', 'V', row.value, row.band, same(other?.points, row, i)?.value)],
    ),
    ...state.drops.map((row, i) =>
      line(
        'drop',
        `${row.from} to ${row.to}`,
        row.part,
        'V',
        row.value,
        row.band,
        same(other?.drops, row, i)?.value,
      ),
    ),
    ...state.balances.flatMap((b, i) => {
      const o = other?.balances[i]
      return [
        line('source', b.path, '', 'V', b.source, undefined, o?.source),
        line('feed loss', b.path, '', 'V', b.feedLoss.value, b.feedLoss.band, o?.feedLoss.value),
        line('load drop', b.path, b.load ?? '', 'V', b.loadDrop.value, b.loadDrop.band, o?.loadDrop.value),
        line('return loss', b.path, '', 'V', b.returnLoss.value, b.returnLoss.band, o?.returnLoss.value),
        line('remainder', b.path, '', 'V', b.remainder, undefined, o?.remainder),
        line('current', b.path, b.load ?? '', 'A', b.amps, undefined, o?.amps),
      ]
    }),
    ...state.drops.map((row, i) =>
      line(
        'current',
        `${row.from} to ${row.to}`,
        row.part,
        'A',
        row.amps,
        undefined,
        same(other?.drops, row, i)?.amps,
      ),
    ),
    ...swingRows(state, other),
    ...state.fuses.flatMap((row, i) => [
      line('fuse drop', 'test tabs', row.part, 'V', row.value, row.band, other?.fuses[i]?.value),
      line(
        'fuse amps by table',
        'test tabs',
        row.part,
        'A',
        row.tableAmps,
        undefined,
        other?.fuses[i]?.tableAmps,
      ),
    ]),
    ...state.places.map((row, i) =>
      line('clamp', row.place, row.bundle, 'A', row.amps, undefined, other?.places[i]?.amps),
    ),
    ...state.notices.map((row, i) => words('notice', '', row.part, row.text, other?.notices[i]?.text)),
    ...state.scans.flatMap((scan, s) =>
      scan.rows.map((row, i) =>
        words('scan tool', row.name, scan.part, row.value, other?.scans[s]?.rows[i]?.value),
      ),
    ),
    ...[...new Set([...state.blown, ...(other?.blown ?? [])])].map((part) =>
      words(
        'fuse',
        '',
        part,
        state.blown.includes(part) ? 'blown' : 'sound',
        other && (other.blown.includes(part) ? 'blown' : 'sound'),
      ),
    ),
  ]

  function words(quantity: string, at: string, part: string, good: string, bad?: string): Cell[] {
    return [name, quantity, at, part, good, undefined, bad, undefined, '']
  }
  function swingRows(good: StateKey, bad: StateKey | undefined): Cell[][] {
    return good.points.flatMap((row, i) => {
      const now = same(bad?.points, row, i)
      if (!row.swing && !now?.swing) return []
      return [0, 1].map((end) =>
        line(
          end ? 'highest' : 'lowest',
          row.name,
          '',
          'V',
          row.swing?.[end] ?? row.value,
          undefined,
          now?.swing?.[end] ?? now?.value,
        ),
      )
    })
  }
}
