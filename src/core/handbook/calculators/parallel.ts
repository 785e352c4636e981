import { figures } from '../../document'
import { defineCalculator } from '../calculator'

export const parallel = defineCalculator({
  key: 'parallel',
  title: 'calculators.parallel.title',
  words: ['kirchhoff', 'branch', 'divider'],
  about: 'calculators.parallel.about',
  assumes: 'calculators.parallel.assumes',
  formula: figures('R = R₁ + R₂; 1/R = 1/R₁ + 1/R₂'),
  by: [],
  source: 'calculators.parallel.source',
  inputs: {
    first: { label: 'calculators.parallel.first', unit: 'Ω', preset: 6, least: 0.0001, most: 1e8 },
    second: { label: 'calculators.parallel.second', unit: 'Ω', preset: 3, least: 0.0001, most: 1e8 },
    volts: { label: 'calculators.parallel.acrossBoth', unit: 'V', preset: 12, least: 0, most: 1000 },
  },
  results: ({ first, second, volts }) => [
    { label: 'calculators.parallel.inSeries', unit: 'Ω', value: first + second },
    { label: 'calculators.parallel.inParallel', unit: 'Ω', value: (first * second) / (first + second) },
    {
      label: 'calculators.parallel.inSeriesAcrossTheSecond',
      unit: 'V',
      value: (volts * second) / (first + second),
    },
    { label: 'calculators.parallel.inParallelInAll', unit: 'A', value: volts / first + volts / second },
  ],
  example: {
    given: { first: 6, second: 3, volts: 12 },
    gives: [
      ['calculators.parallel.inSeries', 9, 1e-9],
      ['calculators.parallel.inParallel', 2, 1e-9],
      ['calculators.parallel.inSeriesAcrossTheSecond', 4, 1e-9],
      ['calculators.parallel.inParallelInAll', 6, 1e-9],
    ],
    from: 'arithmetic of Kirchhoff’s laws',
  },
})
