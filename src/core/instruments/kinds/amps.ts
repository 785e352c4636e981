import { readAmps, type Jack } from '../ammeter'
import { ohmsAcross } from '../attach'
import { defineInstrument } from '../instrument'
import { say, figures } from '../../document'
import {
  across,
  ampsSpread,
  around,
  blewSigns,
  byFactor,
  connection,
  gaps,
  openLoop,
  inVolts,
} from './common'

const jackOf = (key: string | undefined): Jack => (key === 'amps' ? 'A' : key === 'milli' ? 'mA' : 'V')

/** Ammeter in series: a shunt and a fuse, which are a burden, and across a source a short. */
export const amps = defineInstrument({
  key: 'amps',
  device: 'multimeter',
  title: 'instruments.amps.title',
  about: 'instruments.amps.about',
  cautions: () => ['neverAcrossSource', 'batteries'],
  settings: [
    {
      key: 'jack',
      label: 'instruments.jack',
      options: [
        { key: 'amps', label: figures('A') },
        { key: 'milli', label: figures('mA') },
        { key: 'volts', label: figures('V Ω') },
      ],
      preset: 'amps',
    },
  ],
  holds: ['series', 'leads'],
  nature: ({ jack }) => (jack === 'volts' ? { draws: 0 } : { draws: 0, shorts: true, underLoad: true }),
  read: (use) => {
    const { solved, settings, meter } = use
    const { red, black, out } = across(use)
    const shown = readAmps(solved, red, black, meter, jackOf(settings.jack), out)
    const jack = settings.jack === 'milli' ? ('mA' as const) : ('A' as const)
    return {
      value: shown.value,
      unit: 'A',
      text: shown.text,
      signs: [
        ...(shown.blew ? [say('instruments.meterFuse')] : []),
        ...blewSigns(shown.blownByIt),
        ...(shown.burden > 0 ? [say('instruments.burden', { volts: inVolts(shown.burden) })] : []),
      ],
      did: { blown: shown.blownByIt, ...(shown.blew && { meterFuse: jack }) },
    }
  },
  expect: (use) => {
    const { red, black, out } = across(use)
    const { value, accuracy } = readAmps(use.solved, red, black, use.meter, jackOf(use.settings.jack), out)
    return value === undefined ? openLoop : around(value, accuracy + ampsSpread * Math.abs(value) + 0.002)
  },
  connect: ({ place, settings, meter }) => {
    const { red, black } = across({ place })
    const jack = jackOf(settings.jack)
    const ohms = jack === 'V' ? meter.volts.inputOhms : meter.jacks[jack].ohms + meter.leadOhms / 10
    return connection(place, [ohmsAcross(red, black, ohms)])
  },
  tells: byFactor(0.01),
  asks: { type: 'value', unit: 'A', open: true },
  places: gaps('series', ['source', 'protection', 'connection', 'load']),
  minutes: 2,
})
