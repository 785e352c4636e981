import type { SolvedBoard } from '../../board'
import { brightness, brightnessScale } from '../../parts'
import { expectedVolts } from '../expected'
import { readVolts, voltsAccuracy } from '../voltmeter'
import { lampAcross, readLedProbe, readTestLamp, withTestLamp, type LampReading } from '../test-lamp'
import { defineInstrument, numberOf, type Instrument, type Reading, type Use } from '../instrument'
import { say, figures } from '../../document'
import {
  around,
  across,
  inAmps,
  blewSigns,
  byFifth,
  byWord,
  connection,
  gaps,
  loadEnds,
  systemVolts,
  inVolts,
} from './common'

const glows = {
  dark: 'instruments.word.dark',
  glows: 'instruments.word.glows',
  dim: 'instruments.word.dim',
  bright: 'instruments.word.bright',
  glaring: 'instruments.word.glaring',
} as const

const told = (reading: LampReading): Reading => ({
  value: reading.volts,
  unit: 'V',
  text: '',
  word: reading.glow,
  signs: [
    say('instruments.across', { volts: inVolts(reading.volts), amps: inAmps(reading.amps) }),
    ...blewSigns(reading.blownByIt),
  ],
  did: { blown: reading.blownByIt },
})

/** An eye is no meter: a fiftieth of the volts either way may be seen as the next word. */
const eye = 0.02

function glowsBetween(across_: number, rated: number) {
  const place = (v: number) => brightnessScale.indexOf(brightness(v, rated).key)
  return { low: place(across_ * (1 - eye)), high: place(across_ * (1 + eye)) }
}

interface LampSpec<K extends string> extends Pick<
  Instrument<K>,
  'key' | 'device' | 'title' | 'about' | 'settings' | 'holds' | 'cautions' | 'minutes'
> {
  /** Amps at the system's volts, by what is set. */
  readonly amps: (size: string | undefined) => number
  readonly underLoad: (size: string | undefined) => boolean
}

function lampOf<const K extends string>(spec: LampSpec<K>): Instrument<K> {
  const read = (use: Use): LampReading => {
    const { red, black, out } = across(use)
    return readTestLamp(use.solved, red, black, spec.amps(use.settings.size), systemVolts(use.solved), out)
  }
  return defineInstrument({
    ...spec,
    nature: ({ size }) => ({
      draws: spec.amps(size),
      carries: true,
      ...(spec.underLoad(size) && { underLoad: true as const }),
    }),
    read: (use) => told(read(use)),
    expect: (use) => glowsBetween(read(use).volts, systemVolts(use.solved)),
    guess: (use) => {
      const { red, black } = across(use)
      const { solved } = use
      if (use.place.type === 'gap') return undefined
      const rated = systemVolts(solved)
      const own = rated / spec.amps(use.settings.size)
      const behind = solved.ohms(red, black)
      const across_ = ((solved.volts(red, black) ?? 0) * own) / (own + behind)
      return brightnessScale.indexOf(brightness(across_, rated).key)
    },
    connect: ({ place, settings }, circuit) => {
      const { red, black } = across({ place })
      const rated = systemVolts({ board: { circuit } } as unknown as SolvedBoard)
      return connection(place, [lampAcross(red, black, spec.amps(settings.size), rated)])
    },
    tells: byWord,
    asks: { type: 'word', words: glows },
    places: (circuit, wiring) => [
      ...(spec.holds.includes('leads') ? loadEnds(circuit, wiring) : []),
      ...gaps('inPlaceOf', ['protection'])(circuit),
    ],
  })
}

export const testLamp = lampOf({
  key: 'testLamp',
  device: 'lamps',
  title: 'instruments.lamps.title',
  about: 'instruments.lamps.about',
  cautions: () => ['noLoadIntoModules'],
  settings: [
    {
      key: 'size',
      label: 'instruments.lamps.lamp',
      options: ['0.25', '1', '2'].map((key) => ({ key, label: figures(`${key} A`) })),
      preset: '0.25',
    },
  ],
  holds: ['leads', 'inPlaceOf'],
  amps: (size) => Number(size ?? 0.25),
  underLoad: (size) => Number(size ?? 0.25) >= 1,
  minutes: 0.4,
})

export const loadLamp = lampOf({
  key: 'loadLamp',
  device: 'lamps',
  title: 'instruments.lamps.loadLamp5A',
  about: 'instruments.lamps.aHeadlampsFilamentForThree',
  cautions: () => ['noLoadIntoModules', 'hot'],
  settings: [],
  holds: ['leads', 'series', 'inPlaceOf'],
  amps: () => 5,
  underLoad: () => true,
  minutes: 1,
})

/**
 * A lamp and a meter as one tool: it glows, and says the volts across itself. Pin by pin under load, the other lead on a
 * good ground or on the battery’s plus.
 */
export const loadedProbe: Instrument<'loadedProbe'> = defineInstrument({
  key: 'loadedProbe',
  device: 'lamps',
  title: 'instruments.lamps.loadedProbe',
  about: 'instruments.lamps.aboutLoadedProbe',
  cautions: () => ['noLoadIntoModules'],
  settings: [
    {
      key: 'size',
      label: 'instruments.lamps.lamp',
      options: ['1', '2', '5'].map((key) => ({ key, label: figures(`${key} A`) })),
      preset: '1',
    },
  ],
  holds: ['leads'],
  nature: ({ size }) => ({ draws: Number(size ?? 1), carries: true, underLoad: true }),
  read: (use) => {
    const { red, black } = across(use)
    const rated = systemVolts(use.solved)
    const lit = withTestLamp(use.solved, red, black, Number(use.settings.size), rated)
    const { value = 0, text } = readVolts(lit.ok ? lit : use.solved, red, black, use.meter)
    const blown = lit.ok ? [...lit.blown].filter((id) => !use.solved.blown.has(id)) : []
    const { key } = brightness(value, rated)
    return {
      value,
      unit: 'V',
      text,
      signs: [{ code: glows[key as keyof typeof glows] }, ...blewSigns(blown)],
      did: { blown },
    }
  },
  expect: (use) => {
    const { red, black } = across(use)
    const size = Number(use.settings.size)
    const lit = withTestLamp(use.solved, red, black, size, systemVolts(use.solved))
    if (!lit.ok || red === black) return around(0, 0.01)
    const { value = 0, band } = expectedVolts(lit, red, black, use.meter)
    return around(value, Math.max(band, voltsAccuracy(value, use.meter)))
  },
  connect: ({ place, settings }, circuit) => {
    const { red, black } = across({ place })
    const rated = systemVolts({ board: { circuit } } as unknown as SolvedBoard)
    return connection(place, [lampAcross(red, black, Number(settings.size), rated)])
  },
  tells: byFifth,
  asks: { type: 'value', unit: 'V', open: false },
  places: loadEnds,
  minutes: 0.4,
})

export const ledProbe: Instrument<'ledProbe'> = defineInstrument({
  key: 'ledProbe',
  device: 'lamps',
  title: 'instruments.lamps.ledProbe',
  about: 'instruments.lamps.someMilliampsItLightsOn',
  cautions: () => [],
  settings: [],
  holds: ['leads'],
  nature: () => ({ draws: 0.01 }),
  read: (use) => {
    const { red, black } = across(use)
    return told(readLedProbe(use.solved, red, black))
  },
  expect: (use) => {
    const place = numberOf(ledProbe, { word: ledProbe.read(use).word ?? 'dark' })
    return { low: place, high: place }
  },
  tells: byWord,
  asks: { type: 'word', words: { dark: glows.dark, dim: glows.dim, bright: glows.bright } },
  places: loadEnds,
  minutes: 0.3,
})
