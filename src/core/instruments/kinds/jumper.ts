import { formatQuantity } from '../../quantity'
import { connectJumper, connectLoad, jumperAcross, type ConnectionEffect } from '../connect'
import { ohmsAcross } from '../attach'
import { systemOf } from '../../circuit'
import { type Instrument, defineInstrument, noEffects, type Reading, type Use } from '../instrument'
import { say, figures } from '../../document'
import {
  across,
  inAmps,
  ampsSpread,
  around,
  byFactor,
  byWord,
  changes,
  connection,
  gaps,
  systemVolts,
} from './common'

const words = { blew: 'instruments.word.blew', holds: 'instruments.word.holds' } as const

const ratingOf = (fuse: string | undefined): number => (fuse === 'none' ? Infinity : Number(fuse ?? 10))

function jump(use: Use): ConnectionEffect {
  const { red, black, out } = across(use)
  return connectJumper(use.solved, red, black, ratingOf(use.settings.fuse), undefined, out)
}

/** A wire with a fuse between two places: what then changes is what it tells. */
export const jumper = defineInstrument({
  key: 'jumper',
  device: 'loads',
  title: 'instruments.jumper.title',
  about: 'instruments.jumper.about',
  cautions: () => ['fuseJumpers', 'noLoadIntoModules'],
  settings: [
    {
      key: 'fuse',
      label: 'instruments.jumper.itsFuse',
      options: [
        ...['5', '10', '20', '30'].map((key) => ({ key, label: figures(`${key} A`) })),
        { key: 'none', label: 'instruments.jumper.none' },
      ],
      preset: '10',
    },
  ],
  holds: ['leads', 'inPlaceOf'],
  nature: ({ fuse }) => ({
    draws: 0,
    carries: true,
    underLoad: true,
    ...(fuse === 'none' && { unfused: true as const }),
  }),
  read: (use) => {
    const made = jump(use)
    const signs = made.blew ? [say('instruments.ownFuse')] : changes(use, made)
    const reading: Reading = {
      value: made.amps,
      unit: 'A',
      text: '',
      word: made.blew ? 'blew' : 'holds',
      signs,
      did: noEffects,
    }
    return { ...reading, did: { blown: made.blownByIt } }
  },
  expect: (use) => {
    const place = jump(use).blew ? 0 : 1
    return { low: place, high: place }
  },
  connect: ({ place, settings }) => {
    const { red, black } = across({ place })
    return connection(place, [jumperAcross(red, black, ratingOf(settings.fuse))])
  },
  tells: byWord,
  asks: { type: 'word', words },
  places: gaps('inPlaceOf', ['control', 'connection']),
  minutes: 1,
})

/** A load that is known to be good in place of the circuit's own, which is unplugged first. */
export const substitute: Instrument<'substitute'> = defineInstrument({
  key: 'substitute',
  device: 'loads',
  title: 'instruments.jumper.substituteLoad',
  about: 'instruments.jumper.aKnownLoadInPlace',
  cautions: () => ['noLoadIntoModules', 'hot'],
  settings: [
    {
      key: 'watts',
      label: 'instruments.jumper.load',
      // Every rating of lamp that is sold, and what tries a heavy feed.
      options: [
        '1.2',
        '2',
        '3',
        '5',
        '10',
        '16',
        '21',
        '35',
        '45',
        '55',
        '60',
        '70',
        '100',
        '150',
        '200',
        '300',
      ].map((key) => ({ key, label: figures(`${key} W`) })),
      preset: '21',
    },
  ],
  holds: ['leads', 'inPlaceOf'],
  nature: ({ watts }) => ({ draws: Number(watts ?? 21) / 12, carries: true, underLoad: true }),
  read: (use) => {
    const { red, black, out } = across(use)
    const made = connectLoad(use.solved, red, black, Number(use.settings.watts), systemVolts(use.solved), out)
    return {
      value: made.amps,
      unit: 'A',
      text: formatQuantity(made.amps, 'A'),
      signs: [say('instruments.carries', { amps: inAmps(made.amps) }), ...changes(use, made)],
      did: { blown: made.blownByIt },
    }
  },
  expect: (use) => {
    const value = substitute.read(use).value ?? 0
    return around(value, 0.01 + ampsSpread * Math.abs(value))
  },
  connect: ({ place, settings }, circuit) => {
    const { red, black } = across({ place })
    const rated = systemOf(circuit).nominal
    return connection(place, [ohmsAcross(red, black, rated ** 2 / Number(settings.watts))])
  },
  tells: byFactor(0.05),
  asks: { type: 'value', unit: 'A', open: false },
  places: gaps('inPlaceOf', ['load']),
  minutes: 2,
})
