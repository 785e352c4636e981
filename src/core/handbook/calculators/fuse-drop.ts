import { fuseColdOhms, fuseTypes } from '../../parts'
import { defineCalculator } from '../calculator'
import { coldFuse, fuseBody } from '../cold-fuse'

export const fuseDrop = defineCalculator({
  key: 'fuseDrop',
  title: 'calculators.fuseDrop.title',
  words: ['fuse', 'millivolt', 'parasitic', 'drain', 'drop'],
  about: 'calculators.fuseDrop.about',
  assumes: coldFuse.assumes,
  formula: 'calculators.fuseDrop.formula',
  by: ['fuseColdOhms'],
  source: coldFuse.source,
  inputs: {
    type: fuseBody(0),
    rating: { label: 'calculators.rating', unit: 'A', preset: 10, least: 0.5, most: 300 },
    amps: { label: 'calculators.current', unit: 'A', preset: 0.5, least: 0, most: 500 },
  },
  results: ({ type, rating, amps }) => [
    {
      label: 'calculators.fuseDrop.shows',
      unit: 'V',
      value: amps * fuseColdOhms(rating, fuseTypes[type] ?? 'regular'),
      ...(amps > rating / 2 && { note: 'calculators.fuseDrop.warmByThenItShows' }),
    },
  ],
  example: {
    given: { type: 0, rating: 10, amps: 1 },
    gives: [['calculators.fuseDrop.shows', 0.0075, 0.0015]],
    from: 'makers’ tables of cold resistance, from memory: a regular 10 A blade has about 7 to 8 mΩ',
  },
})
