import { say } from '../../document'
import { findPart } from '../../model'
import { senseOf } from '../../board'
import { partOfKind, type ScanRow } from '../../parts'
import { defineInstrument, noEffects, numberOf, type Instrument, type Use } from '../instrument'
import { nothing, partsWith } from './common'

/** What a row can say, by how much it says: nothing, no, yes. */
const words = {
  'no answer': 'instruments.word.noAnswer',
  off: 'instruments.word.off',
  on: 'instruments.word.on',
} as const

/** What a module believes of its inputs and commands to its drivers. */
export const scan: Instrument<'scan'> = defineInstrument({
  key: 'scan',
  device: 'scan',
  title: 'instruments.scan.title',
  about: 'instruments.scan.about',
  cautions: () => [],
  settings: [
    {
      key: 'row',
      label: 'instruments.scan.value',
      options: [
        { key: 'ign', label: 'instruments.scan.ignition' },
        ...['1', '2', '3', '4'].map((n) => ({ key: `i${n}`, label: say('instruments.scan.input', { n }) })),
        ...['1', '2'].map((n) => ({ key: `l${n}`, label: say('instruments.scan.low', { n }) })),
        ...['1', '2'].map((n) => ({ key: `h${n}`, label: say('instruments.scan.high', { n }) })),
      ],
      preset: 'ign',
    },
  ],
  holds: ['at'],
  nature: () => ({ draws: 0 }),
  read: (use) => {
    const word = wordOf(use)
    return word === undefined ? nothing('–') : { unit: 'V', text: '', word, signs: [], did: noEffects }
  },
  expect: (use) => {
    const word = wordOf(use)
    const place = word === undefined ? -1 : numberOf(scan, { word })
    return place < 0 ? { low: -Infinity, high: Infinity } : { low: place, high: place }
  },
  tells: (place) => place,
  asks: { type: 'word', words },
  places: (circuit) => partsWith(circuit, (definition) => definition.scan !== undefined),
  minutes: 1,
})

function wordOf({ solved, place, settings }: Use): keyof typeof words | undefined {
  const id = place.type !== 'jaws' && 'part' in place ? place.part : undefined
  const part = findPart(solved.board.circuit, id)
  const rows = part && partOfKind(part.kind).scan
  if (!part || !rows) return undefined
  const { sense, around } = senseOf(solved.board, solved.point, part)
  const found = rows(part.parameters, sense, around)
  const row = found.find(({ key }: ScanRow) => key === (settings.row ?? 'ign'))
  if (!row) return found.some(({ key }) => key === 'none') ? 'no answer' : undefined
  return row.on ? 'on' : 'off'
}
