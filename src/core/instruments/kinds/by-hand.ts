import { faultOfKind } from '../../faults'
import { partOfKind } from '../../parts'
import { pullsOnBench } from '../../board'
import { defineInstrument, noEffects, numberOf, type Instrument, type Reading, type Use } from '../instrument'
import { say } from '../../document'
import { nothing, partsWith } from './common'

const drag = { slack: 'instruments.word.slack', firm: 'instruments.word.firm' } as const
const clicks = { silent: 'instruments.word.silent', clicks: 'instruments.word.clicks' } as const

const byWord = (place: number): number => place
const told = (word: string): Reading => ({ unit: 'V', text: '', word, signs: [], did: noEffects })
const partAt = ({ solved, place }: Use) =>
  solved.board.circuit.parts.find(
    (p) => place.type !== 'jaws' && p.id === ('part' in place ? place.part : ''),
  )
const isOut = ({ solved }: Use, id: string): boolean => solved.board.state.detached.includes(id)

/** A pin of the right gauge drawn through a female terminal: it drags, or it falls out. */
export const terminalDrag: Instrument<'terminalDrag'> = defineInstrument({
  key: 'terminalDrag',
  device: 'hand',
  title: 'instruments.byHand.title',
  about: 'instruments.byHand.about',
  cautions: () => [],
  settings: [],
  holds: ['at'],
  nature: () => ({ draws: 0 }),
  read: (use) => {
    const part = partAt(use)
    const { detach } = part ? partOfKind(part.kind) : {}
    if (!part || !detach) return nothing('–')
    if (!isOut(use, part.id))
      return { ...nothing('–'), signs: [say('instruments.apartFirst', { id: part.id })] }
    const slack = use.solved.board.faults.some((f) => f.part === part.id && faultOfKind(f.kind).reseats)
    return told(slack ? 'slack' : 'firm')
  },
  expect: (use) => exactly(terminalDrag, use),
  tells: byWord,
  asks: { type: 'word', words: drag },
  places: (circuit) =>
    partsWith(circuit, ({ role, detach }) => role === 'connection' && detach !== undefined),
  minutes: 1,
})

/** A relay out of its socket, its coil on a source of nine volts: it clicks, or it does not. */
export const benchRelay: Instrument<'benchRelay'> = defineInstrument({
  key: 'benchRelay',
  device: 'hand',
  title: 'instruments.byHand.relayOn9V',
  about: 'instruments.byHand.theRelayInTheHand',
  cautions: () => [],
  settings: [],
  holds: ['at'],
  nature: () => ({ draws: 0, stays: true }),
  connect: ({ place }) => ({
    attached: [],
    opens: [],
    ...(place.type === 'at' && place.part && { onSource: [place.part] }),
  }),
  read: (use) => {
    const part = partAt(use)
    const coil = part && partOfKind(part.kind).coil
    if (!part || !coil) return nothing('–')
    if (!isOut(use, part.id))
      return { ...nothing('–'), signs: [say('instruments.apartFirst', { id: part.id })] }
    return told(pullsOnBench(use.solved.board, part.id) ? 'clicks' : 'silent')
  },
  expect: (use) => exactly(benchRelay, use),
  tells: byWord,
  asks: { type: 'word', words: clicks },
  places: (circuit) => partsWith(circuit, ({ coil }) => coil !== undefined),
  minutes: 1,
})

/** The one word that this board makes it tell; anything where it tells none. */
function exactly(instrument: Instrument, use: Use) {
  const { word } = instrument.read(use)
  const place = word === undefined ? -1 : numberOf(instrument, { word })
  return place < 0 ? { low: -Infinity, high: Infinity } : { low: place, high: place }
}
