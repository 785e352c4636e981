import { defineCalculator } from '../calculator'

export const sum = defineCalculator({
  key: 'sum',
  title: 'The sum that must close',
  words: ['kirchhoff', 'feed', 'return', 'ground', 'missing', 'percent'],
  about:
    'Source = feed + load + return. The one that was not measured is what is missing; each as percent of the source.',
  assumes: 'All four at the same time, under the same load.',
  source: 'Kirchhoff’s voltage law (IEC 60050-131)',
  formula: 'source = feed + load + return',
  by: [],
  inputs: {
    missing: {
      label: 'Not measured',
      unit: '',
      preset: 3,
      least: 0,
      most: 3,
      options: ['Source', 'Feed', 'Load', 'Return'].map((text, value) => ({ text, value })),
    },
    source: { label: 'Source', unit: 'V', preset: 12.6, least: 0, most: 100 },
    feed: { label: 'Feed loses', unit: 'V', preset: 0.3, least: -100, most: 100 },
    load: { label: 'Across the load', unit: 'V', preset: 11.9, least: -100, most: 100 },
    back: { label: 'Return loses', unit: 'V', preset: 0.4, least: -100, most: 100 },
  },
  results: ({ missing, ...read }) => {
    const rest = { ...read }
    if (missing === 0) rest.source = read.feed + read.load + read.back
    else if (missing === 1) rest.feed = read.source - read.load - read.back
    else if (missing === 2) rest.load = read.source - read.feed - read.back
    else rest.back = read.source - read.feed - read.load
    const { source, feed, load, back } = rest
    const percent = (value: number) => (source ? (100 * value) / source : Number.NaN)
    const label = ['Source', 'Feed loses', 'Across the load', 'Return loses'][missing]!
    return [
      { label, unit: 'V', value: [source, feed, load, back][missing]! },
      { label: 'Feed, of the source', unit: '%', value: percent(feed) },
      { label: 'Load, of the source', unit: '%', value: percent(load) },
      { label: 'Return, of the source', unit: '%', value: percent(back) },
    ]
  },
  example: {
    given: { source: 12.6, feed: 0.3, load: 11.9 },
    gives: [
      ['Return loses', 0.4, 1e-9],
      ['Feed, of the source', 2.38, 0.01],
    ],
    from: 'arithmetic of Kirchhoff’s voltage law',
  },
})
