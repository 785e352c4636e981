import { ampacity, fuseFor, sections } from '../../workshop'
import { defineCalculator } from '../calculator'

export const fuseAndWire = defineCalculator({
  key: 'fuseAndWire',
  title: 'calculators.fuseAndWire.title',
  words: ['rating', 'protection', 'blade', 'ampacity'],
  about: 'calculators.fuseAndWire.about',
  assumes: 'calculators.fuseAndWire.assumes',
  formula: 'calculators.fuseAndWire.formula',
  by: ['ampacity', 'fuseFor'],
  source: 'calculators.fuseAndWire.source',
  inputs: { amps: { label: 'calculators.fuseAndWire.runsAt', unit: 'A', preset: 9, least: 0.01, most: 80 } },
  results: ({ amps }) => {
    const { rating } = fuseFor(amps, 95)
    return [
      { label: 'calculators.fuseAndWire.fuse', unit: 'A', value: rating },
      {
        label: 'calculators.fuseAndWire.wireAtLeast',
        unit: 'mm²',
        value: sections.find((s) => ampacity(s) >= rating * 0.999) ?? Number.NaN,
      },
    ]
  },
  example: {
    given: { amps: 4.6 },
    gives: [
      ['calculators.fuseAndWire.fuse', 7.5, 0],
      ['calculators.fuseAndWire.wireAtLeast', 0.5, 0],
    ],
    from: 'common practice, no source: 55 W at 12 V on 7.5 A and half a square millimetre',
  },
})
