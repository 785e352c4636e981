import { type Instrument, type Use, defineInstrument, noEffects } from '../instrument'
import { ohmsAccuracy, readContinuity, readOhms } from '../ohmmeter'
import { say } from '../../document'
import { around, byFactor, byWord, heldPieces, inTheHand, notInHand, openLoop } from './common'

/** Passive parts vary by a few per cent in ohms; a contact's milliohms are below the meter's last digit. */
export const ohmsTolerance = 0.08

/** Ohms of what lies dead between the leads; undefined where it is live, as nobody measures so. */
function deadOhms(use: Use): number | undefined {
  const { solved, red, black } = inTheHand(use)
  if (Math.abs(solved.volts(red, black) ?? 0) > 0.002) return undefined
  const value = solved.ohms(red, black)
  return value > 5e7 ? Infinity : value
}

const signsOf = ({ beeps, live }: { beeps: boolean; live: boolean }) => [
  ...(beeps ? [say('instruments.beeps')] : []),
  ...(live ? [say('instruments.live')] : []),
]

/** Ohmmeter: its own current, up to its open-circuit volts. */
export const ohms: Instrument<'ohms'> = defineInstrument({
  key: 'ohms',
  device: 'multimeter',
  title: 'instruments.ohms.title',
  about: 'instruments.ohms.about',
  cautions: () => ['disconnectBeforeOhms'],
  settings: [
    {
      key: 'zero',
      label: 'instruments.leads',
      options: [
        { key: 'not', label: 'instruments.ohms.asTheyAre' },
        { key: 'zeroed', label: 'instruments.ohms.zeroedFirst' },
      ],
      preset: 'not',
    },
  ],
  holds: ['leads', 'hand'],
  nature: () => ({ needsDead: true, draws: 0 }),
  read: (use) => {
    const missing = notInHand(use)
    if (missing) return missing
    const { solved, red, black } = inTheHand(use)
    const meter = use.settings.zero === 'zeroed' ? { ...use.meter, leadOhms: 0 } : use.meter
    const shown = readOhms(solved, red, black, meter)
    return { value: shown.value, unit: 'Ω', text: shown.text, signs: signsOf(shown), did: noEffects }
  },
  expect: (use) => {
    const { value } = ohms.read(use)
    if (value === undefined) return openLoop
    return around(value, ohmsAccuracy(value, use.meter) + ohmsTolerance * Math.abs(value))
  },
  guess: deadOhms,
  tells: byFactor(0.1),
  asks: { type: 'value', unit: 'Ω', open: true },
  places: heldPieces,
  minutes: 1,
})

/** The same current against a threshold: a beep says that there is a way, not that it carries. */
export const continuity: Instrument<'continuity'> = defineInstrument({
  key: 'continuity',
  device: 'multimeter',
  title: 'instruments.ohms.continuity',
  about: 'instruments.ohms.aBeepSaysBelowA',
  cautions: () => ['disconnectBeforeOhms'],
  settings: [],
  holds: ['leads', 'hand'],
  nature: () => ({ needsDead: true, draws: 0 }),
  read: (use) => {
    const missing = notInHand(use)
    if (missing) return missing
    const { solved, red, black } = inTheHand(use)
    const shown = readContinuity(solved, red, black, use.meter)
    return { value: shown.value, unit: 'Ω', text: shown.text, signs: signsOf(shown), did: noEffects }
  },
  expect: (use) => {
    const { value } = continuity.read(use)
    if (value === undefined) return openLoop
    return around(value, ohmsAccuracy(value, use.meter) + ohmsTolerance * Math.abs(value))
  },
  guess: deadOhms,
  tells: (value) => byWord(value < 30 ? 1 : 0),
  asks: { type: 'beep' },
  places: heldPieces,
  minutes: 0.7,
})
