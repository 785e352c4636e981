import { defineCalculator } from '../calculator'

export const loadFromWatts = defineCalculator({
  key: 'loadFromWatts',
  title: 'Amps and ohms of a load from its watts',
  words: ['lamp', 'watt', 'rating', 'bulb'],
  about: 'What a load that is marked with volts and watts draws at those volts, and the ohms it then has.',
  assumes: 'It runs at the volts that it is rated for.',
  formula: 'I = P / U, R = U² / P',
  by: [],
  source: 'I = P / U, R = U² / P (IEC 60050-131)',
  inputs: {
    watts: { label: 'Rated watts', unit: 'W', preset: 55, least: 0.01, most: 10000 },
    volts: { label: 'Rated volts', unit: 'V', preset: 12, least: 1, most: 1000 },
  },
  results: ({ watts, volts }) => [
    { label: 'Draws', unit: 'A', value: watts / volts },
    { label: 'Ohms at work', unit: 'Ω', value: volts ** 2 / watts },
  ],
  example: {
    given: { watts: 60, volts: 12 },
    gives: [
      ['Draws', 5, 1e-9],
      ['Ohms at work', 2.4, 1e-9],
    ],
    from: 'arithmetic of the definition',
  },
})
