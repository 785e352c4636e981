import { fuseColdOhms, fuseTypes } from '../../parts'
import { defineCalculator } from '../calculator'
import { coldFuse, fuseBody } from '../cold-fuse'

export const fuseDrop = defineCalculator({
  key: 'fuseDrop',
  title: 'Amps to fuse millivolts',
  words: ['fuse', 'millivolt', 'parasitic', 'drain', 'drop'],
  about: 'What a meter on a fuse’s test spots shows when so much flows through it.',
  assumes: coldFuse.assumes,
  formula: 'U = I · R(body, rating)',
  by: ['fuseColdOhms'],
  source: coldFuse.source,
  inputs: {
    type: fuseBody(0),
    rating: { label: 'Rating', unit: 'A', preset: 10, least: 0.5, most: 300 },
    amps: { label: 'Current', unit: 'A', preset: 0.5, least: 0, most: 500 },
  },
  results: ({ type, rating, amps }) => [
    {
      label: 'Shows',
      unit: 'V',
      value: amps * fuseColdOhms(rating, fuseTypes[type] ?? 'regular'),
      ...(amps > rating / 2 && { note: 'warm by then: it shows more' }),
    },
  ],
  example: {
    given: { type: 0, rating: 10, amps: 1 },
    gives: [['Shows', 0.0075, 0.0015]],
    from: 'makers’ tables of cold resistance, from memory: a regular 10 A blade has about 7 to 8 mΩ',
  },
})
