import { ampsByFuse, workshopMeter } from '../../instruments'
import { fuseTypes } from '../../parts'
import { defineCalculator } from '../calculator'
import { coldFuse, fuseBody } from '../cold-fuse'

export const fuseVolts = defineCalculator({
  key: 'fuseVolts',
  title: 'Fuse millivolts to amps',
  words: ['drop', 'parasitic', 'drain', 'mv', 'current by fuse'],
  about: 'What flows through a fuse by the millivolts across its test spots, without opening the circuit.',
  assumes: coldFuse.assumes,
  formula: 'I = U / R(body, rating)',
  by: ['ampsByFuse'],
  source: coldFuse.source,
  inputs: {
    type: fuseBody(1),
    rating: { label: 'Rating', unit: 'A', preset: 10, least: 1, most: 100 },
    volts: { label: 'Across it', unit: 'V', preset: 0.004, least: 0, most: 1 },
  },
  results: ({ type, rating, volts }) => {
    const found = ampsByFuse(fuseTypes[type] ?? 'regular', rating, volts, workshopMeter)
    return [
      {
        label: 'Flows',
        unit: 'A',
        value: found.tableAmps,
        ...(!found.honest && { note: 'outside the range in which this is honest: clamp it' }),
      },
    ]
  },
  example: {
    given: { type: 1, rating: 10, volts: 0.0077 },
    gives: [['Flows', 1, 0.15]],
    from: 'a 10 A blade fuse of about 7.7 mΩ cold (makers’ tables; from memory)',
  },
})
