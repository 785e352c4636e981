import { defineCalculator } from '../calculator'

export const meterBand = defineCalculator({
  key: 'meterBand',
  title: 'What a meter leaves of a reading',
  words: ['accuracy', 'counts', 'digits', 'loading', 'ghost volts'],
  about:
    'The band that a leaflet’s percent and counts leave round a reading, and what the meter’s own ohms take from a weak point.',
  assumes: 'Within the year of its calibration, at room temperature.',
  formula: '± (reading · % + counts · digit); U · (1 + R / R_meter)',
  by: [],
  source: 'Makers’ form ±(percent of reading + counts); divider by Kirchhoff',
  inputs: {
    reading: { label: 'Reads', unit: 'V', preset: 12.34, least: 0, most: 1000 },
    percent: { label: 'Percent', unit: '%', preset: 0.5, least: 0, most: 20 },
    counts: { label: 'Counts', unit: '', preset: 2, least: 0, most: 100 },
    digit: { label: 'One count is', unit: 'V', preset: 0.01, least: 1e-6, most: 1 },
    behind: { label: 'Ohms behind the point', unit: 'Ω', preset: 100000, least: 0, most: 1e9 },
    own: { label: 'Meter’s own ohms', unit: 'Ω', preset: 1e7, least: 1000, most: 1e12 },
  },
  results: ({ reading, percent, counts, digit, behind, own }) => {
    const band = (reading * percent) / 100 + counts * digit
    return [
      { label: 'Give or take', unit: 'V', value: band },
      { label: 'At least', unit: 'V', value: reading - band },
      { label: 'At most', unit: 'V', value: reading + band },
      { label: 'Without the meter it is', unit: 'V', value: reading * (1 + behind / own) },
    ]
  },
  example: {
    given: { reading: 12, percent: 0.5, counts: 2, digit: 0.01, behind: 1e6, own: 1e7 },
    gives: [
      ['Give or take', 0.08, 1e-9],
      ['Without the meter it is', 13.2, 1e-9],
    ],
    from: 'arithmetic of the definition',
  },
})
