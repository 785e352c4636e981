import { faultOfKind, sights, type Sight } from '../../faults'
import { partIn } from '../../circuit'
import { partOfKind } from '../../parts'
import type { SolvedBoard } from '../../board'
import { defineInstrument, noEffects, numberOf, type Instrument, type Use } from '../instrument'
import { byWord } from './common'

const scale = Object.keys(sights) as Sight[]

/** The worst that an eye finds at a part as it stands: some of it only with the part out or its plug apart. */
function sightOf({ board }: SolvedBoard, id: string): Sight {
  const part = board.circuit.parts.find((one) => one.id === id)
  if (!part) return 'unmarked'
  const { detach, role, bears, protects } = partOfKind(part.kind)
  const out = board.state.detached.includes(id)
  // A joint between two metals that is closed hides its faces; a stud and a clamp stand open.
  const hidden = detach !== undefined && role === 'connection' && !out && detach.verb !== 'parts.lift'
  const found = board.faults.flatMap(({ kind, part: at, other }): Sight[] => {
    const { seen } = faultOfKind(kind)
    const here = at === id || (other !== undefined && partIn(other) === id)
    return seen && here && !hidden && (out || !seen.apart) ? [seen.as] : []
  })
  const melted = out && board.blown.has(id) && (bears ?? protects?.melts)
  const seen: Sight[] = melted ? [...found, 'gone'] : found
  return seen.sort((a, b) => scale.indexOf(b) - scale.indexOf(a))[0] ?? 'unmarked'
}

const at = ({ place }: Use): string => ('part' in place ? (place.part ?? '') : '')

/** An eye at a part, before any instrument: it finds what shows, and nothing else is cleared by it. */
export const look: Instrument<'look'> = defineInstrument({
  key: 'look',
  device: 'hand',
  title: 'instruments.look.title',
  about: 'instruments.look.about',
  cautions: () => [],
  settings: [],
  holds: ['at'],
  nature: () => ({ draws: 0, byEye: true }),
  read: (use) => ({
    unit: 'V',
    text: '',
    word: sightOf(use.solved, at(use)),
    signs: [],
    did: noEffects,
  }),
  expect: (use) => {
    const place = numberOf(look, { word: sightOf(use.solved, at(use)) })
    return { low: place, high: place }
  },
  tells: byWord,
  asks: { type: 'word', words: sights },
  places: (circuit) => circuit.parts.map(({ id }) => ({ type: 'at', part: id })),
  minutes: 0.3,
})
