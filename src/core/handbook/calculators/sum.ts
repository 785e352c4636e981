import { defineCalculator } from '../calculator'

export const sum = defineCalculator({
  key: 'sum',
  title: 'The sum that must close',
  words: ['kirchhoff', 'feed', 'return', 'ground', 'missing', 'percent'],
  about:
    'Source = feed + load + return. The one that was not measured is what is missing; each as percent of the source.',
  assumes: 'All four at the same time, under the same load.',
  source: 'Kirchhoff’s voltage law (IEC 60050-131)',
  inputs: {
    source: { label: 'Source', unit: 'V', preset: 12.6, least: 0, most: 100 },
    feed: { label: 'Feed loses', unit: 'V', preset: 0.3, least: -100, most: 100 },
    load: { label: 'Across the load', unit: 'V', preset: 11.9, least: -100, most: 100 },
  },
  results: ({ source, feed, load }) => {
    const back = source - feed - load
    const percent = (value: number) => (source ? (100 * value) / source : Number.NaN)
    return [
      { label: 'Return loses', unit: 'V', value: back },
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
