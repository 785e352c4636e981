import { defineCalculator } from '../calculator'

export const meterBand = defineCalculator({
  key: 'meterBand',
  title: 'calculators.meterBand.title',
  words: ['accuracy', 'counts', 'digits', 'loading', 'ghost volts'],
  about: 'calculators.meterBand.about',
  assumes: 'calculators.meterBand.assumes',
  formula: 'calculators.meterBand.formula',
  by: [],
  source: 'calculators.meterBand.source',
  inputs: {
    reading: { label: 'calculators.meterBand.reads', unit: 'V', preset: 12.34, least: 0, most: 1000 },
    percent: { label: 'calculators.meterBand.percent', unit: '%', preset: 0.5, least: 0, most: 20 },
    counts: { label: 'calculators.meterBand.counts', unit: '', preset: 2, least: 0, most: 100 },
    digit: { label: 'calculators.meterBand.oneCountIs', unit: 'V', preset: 0.01, least: 1e-6, most: 1 },
    behind: {
      label: 'calculators.meterBand.ohmsBehindThePoint',
      unit: 'Ω',
      preset: 100000,
      least: 0,
      most: 1e9,
    },
    own: { label: 'calculators.meterBand.metersOwnOhms', unit: 'Ω', preset: 1e7, least: 1000, most: 1e12 },
  },
  results: ({ reading, percent, counts, digit, behind, own }) => {
    const band = (reading * percent) / 100 + counts * digit
    return [
      { label: 'calculators.meterBand.giveOrTake', unit: 'V', value: band },
      { label: 'calculators.atLeast', unit: 'V', value: reading - band },
      { label: 'calculators.meterBand.atMost', unit: 'V', value: reading + band },
      { label: 'calculators.meterBand.withoutTheMeterItIs', unit: 'V', value: reading * (1 + behind / own) },
    ]
  },
  example: {
    given: { reading: 12, percent: 0.5, counts: 2, digit: 0.01, behind: 1e6, own: 1e7 },
    gives: [
      ['calculators.meterBand.giveOrTake', 0.08, 1e-9],
      ['calculators.meterBand.withoutTheMeterItIs', 13.2, 1e-9],
    ],
    from: 'arithmetic of the definition',
  },
})
