import { figures } from '../../document'
import { defineCalculator } from '../calculator'

export const loadFromWatts = defineCalculator({
  key: 'loadFromWatts',
  title: 'calculators.loadFromWatts.title',
  words: ['lamp', 'watt', 'rating', 'bulb'],
  about: 'calculators.loadFromWatts.about',
  assumes: 'calculators.loadFromWatts.assumes',
  formula: figures('I = P / U, R = U² / P'),
  by: [],
  source: 'calculators.loadFromWatts.source',
  inputs: {
    watts: { label: 'calculators.ratedWatts', unit: 'W', preset: 55, least: 0.01, most: 10000 },
    volts: { label: 'calculators.ratedVolts', unit: 'V', preset: 12, least: 1, most: 1000 },
  },
  results: ({ watts, volts }) => [
    { label: 'calculators.draws', unit: 'A', value: watts / volts },
    { label: 'calculators.ohmsAtWork', unit: 'Ω', value: volts ** 2 / watts },
  ],
  example: {
    given: { watts: 60, volts: 12 },
    gives: [
      ['calculators.draws', 5, 1e-9],
      ['calculators.ohmsAtWork', 2.4, 1e-9],
    ],
    from: 'arithmetic of the definition',
  },
})
