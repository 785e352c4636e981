import { defineCalculator } from '../calculator'

export const sum = defineCalculator({
  key: 'sum',
  title: 'calculators.sum.title',
  words: ['kirchhoff', 'feed', 'return', 'ground', 'missing', 'percent'],
  about: 'calculators.sum.about',
  assumes: 'calculators.sum.assumes',
  source: 'calculators.sum.source',
  formula: 'calculators.sum.formula',
  by: [],
  inputs: {
    missing: {
      label: 'calculators.sum.notMeasured',
      unit: '',
      preset: 3,
      least: 0,
      most: 3,
      options: (
        [
          'calculators.sum.sourceVolts',
          'calculators.sum.feed',
          'calculators.sum.load',
          'calculators.sum.return',
        ] as const
      ).map((text, value) => ({ text, value })),
    },
    source: { label: 'calculators.sum.sourceVolts', unit: 'V', preset: 12.6, least: 0, most: 100 },
    feed: { label: 'calculators.sum.feedLoses', unit: 'V', preset: 0.3, least: -100, most: 100 },
    load: { label: 'calculators.sum.acrossTheLoad', unit: 'V', preset: 11.9, least: -100, most: 100 },
    back: { label: 'calculators.sum.returnLoses', unit: 'V', preset: 0.4, least: -100, most: 100 },
  },
  results: ({ missing, ...read }) => {
    const rest = { ...read }
    if (missing === 0) rest.source = read.feed + read.load + read.back
    else if (missing === 1) rest.feed = read.source - read.load - read.back
    else if (missing === 2) rest.load = read.source - read.feed - read.back
    else rest.back = read.source - read.feed - read.load
    const { source, feed, load, back } = rest
    const percent = (value: number) => (source ? (100 * value) / source : Number.NaN)
    const label = (
      [
        'calculators.sum.sourceVolts',
        'calculators.sum.feedLoses',
        'calculators.sum.acrossTheLoad',
        'calculators.sum.returnLoses',
      ] as const
    )[missing]!
    return [
      { label, unit: 'V', value: [source, feed, load, back][missing]! },
      { label: 'calculators.sum.feedOfTheSource', unit: '%', value: percent(feed) },
      { label: 'calculators.sum.loadOfTheSource', unit: '%', value: percent(load) },
      { label: 'calculators.sum.returnOfTheSource', unit: '%', value: percent(back) },
    ]
  },
  example: {
    given: { source: 12.6, feed: 0.3, load: 11.9 },
    gives: [
      ['calculators.sum.returnLoses', 0.4, 1e-9],
      ['calculators.sum.feedOfTheSource', 2.38, 0.01],
    ],
    from: 'arithmetic of Kirchhoff’s voltage law',
  },
})
