import { defineCalculator } from '../calculator'

export const parallel = defineCalculator({
  key: 'parallel',
  title: 'Two resistors in series and in parallel',
  words: ['kirchhoff', 'branch', 'divider'],
  about: 'What two resistors come to, and how they share volts and amps.',
  assumes: 'Nothing else hangs on them.',
  formula: 'R = R₁ + R₂; 1/R = 1/R₁ + 1/R₂',
  by: [],
  source: 'Kirchhoff’s laws (IEC 60050-131)',
  inputs: {
    first: { label: 'First', unit: 'Ω', preset: 6, least: 0.0001, most: 1e8 },
    second: { label: 'Second', unit: 'Ω', preset: 3, least: 0.0001, most: 1e8 },
    volts: { label: 'Across both', unit: 'V', preset: 12, least: 0, most: 1000 },
  },
  results: ({ first, second, volts }) => [
    { label: 'In series', unit: 'Ω', value: first + second },
    { label: 'In parallel', unit: 'Ω', value: (first * second) / (first + second) },
    { label: 'In series, across the second', unit: 'V', value: (volts * second) / (first + second) },
    { label: 'In parallel, in all', unit: 'A', value: volts / first + volts / second },
  ],
  example: {
    given: { first: 6, second: 3, volts: 12 },
    gives: [
      ['In series', 9, 1e-9],
      ['In parallel', 2, 1e-9],
      ['In series, across the second', 4, 1e-9],
      ['In parallel, in all', 6, 1e-9],
    ],
    from: 'arithmetic of Kirchhoff’s laws',
  },
})
