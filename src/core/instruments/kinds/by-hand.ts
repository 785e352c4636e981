import { partOf } from '../../model'
import { schoolScatter } from '../../circuit'
import { faultOfKind, struckBy } from '../../faults'
import { partOfKind } from '../../parts'
import type { SolvedBoard } from '../../board'
import { defineInstrument, noEffects, numberOf, type Instrument, type Reading, type Use } from '../instrument'
import { say } from '../../document'
import { nothing, partsWith } from './common'

const drag = { slack: 'instruments.word.slack', firm: 'instruments.word.firm' } as const
const clicks = { silent: 'instruments.word.silent', clicks: 'instruments.word.clicks' } as const
/** Volts of the source that a relay is tried with on the bench; two of them for a 24 V one (common practice, no source). */
const benchVolts = 9

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
  nature: () => ({ draws: 0 }),
  read: (use) => {
    const part = partAt(use)
    const coil = part && partOfKind(part.kind).coil
    if (!part || !coil) return nothing('–')
    if (!isOut(use, part.id))
      return { ...nothing('–'), signs: [say('instruments.apartFirst', { id: part.id })] }
    return told(pulls(use.solved, part.id, coil) ? 'clicks' : 'silent')
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

/** Whether the bench’s source moves it: what its own coil lets through. */
function pulls({ board }: SolvedBoard, id: string, coil: string): boolean {
  const part = partOf(board.circuit, id)
  const { modes } = partOfKind(part.kind)
  let ohms = 0
  for (const element of board.elements)
    if (element.type === 'resistor' && element.owner.part === id && element.owner.segment === coil)
      ohms += element.ohms
  if (!modes || ohms === 0) return false
  const volts = benchVolts * (board.circuit.parts.some((p) => Number(p.parameters.nominal) > 20) ? 2 : 1)
  const around = {
    temperature: 20,
    ...schoolScatter,
    position: undefined,
    detached: true,
    blown: false,
    struck: struckBy(board.faults, id),
    mode: modes.rest,
    engineRuns: false,
    sinceKeyOff: 0,
  }
  return modes.next(part.parameters, { volts: () => volts, amps: () => volts / ohms }, around) !== modes.rest
}
