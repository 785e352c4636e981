import { testBattery } from '../connect'
import { formatQuantity } from '../../quantity'
import { type Instrument, defineInstrument, noEffects } from '../instrument'
import { say } from '../../document'
import { inAmps, around, byFifth, nothing, inVolts } from './common'

/** Half the cold-cranking rating for fifteen seconds. */
export const batteryTester: Instrument<'batteryTester'> = defineInstrument({
  key: 'batteryTester',
  device: 'battery',
  title: 'instruments.battery.title',
  about: 'instruments.battery.about',
  cautions: () => ['batteries', 'hot'],
  settings: [],
  holds: ['posts'],
  nature: () => ({ draws: 100, underLoad: true }),
  read: ({ solved }) => {
    const test = testBattery(solved, solved.board.circuit)
    if (!test) return { ...nothing('–'), signs: [say('instruments.noBattery')] }
    return {
      value: test.volts,
      unit: 'V',
      text: formatQuantity(test.volts, 'V'),
      signs: [
        say('instruments.batteryTest', {
          amps: inAmps(test.amps),
          least: inVolts(test.least),
          result: test.passes ? 'passes' : 'fails',
        }),
      ],
      did: noEffects,
    }
  },
  expect: (use) => {
    const { value } = batteryTester.read(use)
    // Charge and rating of sound batteries differ (common practice, no source).
    return value === undefined ? { low: -Infinity, high: Infinity } : around(value, 0.3)
  },
  tells: byFifth,
  asks: { type: 'value', unit: 'V', open: false },
  places: () => [{ type: 'posts' }],
  minutes: 2,
})
