import { connectJumper, jumperAcross, type ConnectionEffect } from '../connect'
import { partOfKind } from '../../parts'
import { defineInstrument, type Instrument, type Use } from '../instrument'
import { across, byWord, changes, connection } from './common'

/** What its pressing brings about. */
const words = { nothing: 'instruments.word.nothing', starts: 'instruments.word.starts' } as const
/** Ohms of its contacts and pins, pressed together (common practice, no source). */
const contactOhms = 0.008

const starts = ({ changed }: ConnectionEffect): boolean => changed.length > 0

function pressed(use: Pick<Use, 'solved' | 'place'>) {
  const { red, black, out } = across(use)
  return connectJumper(use.solved, red, black, Infinity, contactOhms, out)
}

/**
 * A relay that the hand works, in the socket of the one that is out: its contacts are closed whatever the coil is given, so that
 * the coil’s half is told from the contacts’ in one move. The circuit’s own fuse guards it, as it guards the relay.
 */
export const relayByHand: Instrument<'relayByHand'> = defineInstrument({
  key: 'relayByHand',
  device: 'hand',
  title: 'instruments.relayByHand.title',
  about: 'instruments.relayByHand.about',
  cautions: () => ['startsAnyway'],
  settings: [],
  holds: ['inPlaceOf'],
  nature: () => ({ draws: 0, carries: true, underLoad: true }),
  read: (use) => {
    const made = pressed(use)
    return {
      value: made.amps,
      unit: 'A',
      text: '',
      word: starts(made) ? 'starts' : 'nothing',
      signs: changes(use, made),
      did: { blown: made.blownByIt },
    }
  },
  expect: (use) => {
    const place = starts(pressed(use)) ? 1 : 0
    return { low: place, high: place }
  },
  connect: ({ place }) => {
    const { red, black } = across({ place })
    return connection(place, [jumperAcross(red, black, Infinity, contactOhms)])
  },
  tells: byWord,
  asks: { type: 'word', words },
  places: (circuit) =>
    circuit.parts
      .filter(({ kind }) => partOfKind(kind).coil !== undefined && partOfKind(kind).detach?.gap)
      .map(({ id }) => ({ type: 'inPlaceOf', part: id })),
  minutes: 1,
})
