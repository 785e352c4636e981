import { formatQuantity } from '../../quantity'
import { readVoltsInAmpsJack } from '../ammeter'
import { ohmsAcross } from '../attach'
import { expectedVolts } from '../expected'
import { defineInstrument, noEffects } from '../instrument'
import { toCount } from '../meter'
import { say, figures } from '../../document'
import { loadedVolts, readVolts, voltsAccuracy } from '../voltmeter'
import {
  across,
  around,
  blewSigns,
  byFifth,
  connection,
  openLoop,
  heldPieces,
  pointsToGround,
} from './common'

const milliFull = 0.6

/** Voltmeter of ten megohms, red minus black. */
export const volts = defineInstrument({
  key: 'volts',
  device: 'multimeter',
  title: 'instruments.volts.title',
  about: 'instruments.volts.about',
  cautions: ({ jack }) => (jack === 'amps' ? ['neverAcrossSource', 'batteries'] : []),
  settings: [
    {
      key: 'range',
      label: 'instruments.volts.range',
      options: [
        { key: 'auto', label: 'instruments.volts.automatic' },
        { key: 'milli', label: figures('mV') },
      ],
      preset: 'auto',
    },
    {
      key: 'jack',
      label: 'instruments.jack',
      options: [
        { key: 'volts', label: figures('V Ω') },
        { key: 'amps', label: figures('A') },
      ],
      preset: 'volts',
    },
    {
      key: 'record',
      label: 'instruments.volts.record',
      options: [
        { key: 'off', label: 'instruments.volts.off' },
        { key: 'minMax', label: 'instruments.volts.minAndMax' },
      ],
      preset: 'off',
    },
  ],
  holds: ['leads'],
  nature: ({ jack }) => (jack === 'amps' ? { draws: 0, shorts: true } : { draws: 0, between: true }),
  read: (use) => {
    const { solved, settings, meter } = use
    const { red, black } = across(use)
    if (settings.jack === 'amps') {
      const wrong = readVoltsInAmpsJack(solved, red, black, meter, 'A')
      return {
        value: 0,
        unit: 'V',
        text: wrong.text,
        signs: [...(wrong.blew ? [say('instruments.meterFuse')] : []), ...blewSigns(wrong.blownByIt)],
        did: { blown: wrong.blownByIt, ...(wrong.blew && { meterFuse: 'A' as const }) },
      }
    }
    if (settings.range === 'milli') {
      const at = loadedVolts(solved, red, black, meter)
      if (Math.abs(at) >= milliFull)
        return { unit: 'V', text: 'OL', signs: [say('instruments.overRange')], did: noEffects }
      const value = toCount(at, Math.abs(at) < 0.06 ? 0.00001 : 0.0001)
      return { value, unit: 'V', text: formatQuantity(value, 'V'), signs: [], did: noEffects }
    }
    const { value, text, floating } = readVolts(solved, red, black, meter)
    return { value, unit: 'V', text, signs: floating ? [say('instruments.floating')] : [], did: noEffects }
  },
  expect: (use) => {
    const { solved, settings, meter } = use
    const { red, black } = across(use)
    if (settings.jack === 'amps') return around(0, 0.001)
    // Across islands nothing but the meter is there to show: zero.
    const { value = 0, band } = expectedVolts(solved, red, black, meter)
    const half = Math.max(band, voltsAccuracy(value, meter))
    if (settings.range === 'milli' && Math.abs(value) - half >= milliFull) return openLoop
    return {
      low: value - half,
      high: settings.range === 'milli' && Math.abs(value) + half >= milliFull ? Infinity : value + half,
    }
  },
  guess: (use) => {
    const { red, black } = across(use)
    return use.solved.volts(red, black) ?? 0
  },
  connect: ({ place, settings, meter }) => {
    const { red, black } = across({ place })
    const ohms = settings.jack === 'amps' ? meter.jacks.A.ohms : meter.volts.inputOhms
    return connection(place, [ohmsAcross(red, black, ohms)])
  },
  tells: byFifth,
  asks: { type: 'value', unit: 'V', open: false },
  places: (circuit, wiring) => [...pointsToGround(circuit, wiring), ...heldPieces(circuit, wiring)],
  minutes: 0.5,
})
