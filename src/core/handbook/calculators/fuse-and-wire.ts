import { ampacity, fuseFor, sections } from '../../workshop'
import { defineCalculator } from '../calculator'

export const fuseAndWire = defineCalculator({
  key: 'fuseAndWire',
  title: 'Fuse for a load, wire for a fuse',
  words: ['rating', 'protection', 'blade', 'ampacity'],
  about:
    'The rating above a running current with a quarter to spare, and the thinnest wire that it protects.',
  assumes:
    'A single wire in air; in thick bundles and hot places it carries less. The maker’s table comes first.',
  formula: 'rating ≥ 1.25 · I; ampacity(A) ≥ rating',
  by: ['ampacity', 'fuseFor'],
  source:
    'Ratings ISO 8820-3 (from memory); a quarter to spare and amps by section: common practice, no source',
  inputs: { amps: { label: 'Runs at', unit: 'A', preset: 9, least: 0.01, most: 80 } },
  results: ({ amps }) => {
    const { rating } = fuseFor(amps, 95)
    return [
      { label: 'Fuse', unit: 'A', value: rating },
      {
        label: 'Wire, at least',
        unit: 'mm²',
        value: sections.find((s) => ampacity(s) >= rating * 0.999) ?? Number.NaN,
      },
    ]
  },
  example: {
    given: { amps: 4.6 },
    gives: [
      ['Fuse', 7.5, 0],
      ['Wire, at least', 0.5, 0],
    ],
    from: 'common practice, no source: 55 W at 12 V on 7.5 A and half a square millimetre',
  },
})
