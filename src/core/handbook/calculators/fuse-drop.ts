import { fuseColdOhms, fuseTypes } from '../../parts'
import { defineCalculator } from '../calculator'

export const fuseDrop = defineCalculator({
  key: 'fuseDrop',
  title: 'Amps to fuse millivolts',
  words: ['fuse', 'millivolt', 'parasitic', 'drain', 'drop'],
  about: 'What a meter on a fuse’s test spots shows when so much flows through it.',
  assumes: 'Cold fuse of a common make: the same fuse of another make may read a fifth otherwise.',
  formula: 'U = I · R(body, rating)',
  by: ['fuseColdOhms'],
  source: 'Volt drop of blade fuses at their rating, ISO 8820-3 and makers’ tables (from memory)',
  inputs: {
    type: {
      label: 'Body',
      unit: '',
      preset: 0,
      least: 0,
      most: fuseTypes.length - 1,
      options: fuseTypes.map((text, value) => ({ value, text })),
    },
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
