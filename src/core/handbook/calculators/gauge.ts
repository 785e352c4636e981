import { say } from '../../document'
import { areaOfGauge } from '../../quantity'
import { gaugeOf, sections } from '../../workshop'
import { defineCalculator } from '../calculator'

export const gauge = defineCalculator({
  key: 'gauge',
  title: 'calculators.gauge.title',
  words: ['gauge', 'wire size', 'american', 'section'],
  about: 'calculators.gauge.about',
  assumes: 'calculators.gauge.assumes',
  formula: 'calculators.gauge.formula',
  by: ['areaOfGauge', 'gaugeOf'],
  source: 'calculators.gauge.source',
  inputs: {
    gauge: { label: 'calculators.gauge.awg', unit: '', preset: 14, least: 0, most: 40 },
    section: { label: 'calculators.gauge.orASection', unit: 'mm²', preset: 2.5, least: 0.01, most: 120 },
  },
  results: ({ gauge: n, section }) => {
    const area = areaOfGauge(n)
    return [
      { label: say('calculators.gauge.of', { n: { value: n, unit: '' } }), unit: 'mm²', value: area },
      {
        label: 'calculators.gauge.nextMetricSection',
        unit: 'mm²',
        value: sections.find((s) => s >= area * 0.97) ?? Number.NaN,
      },
      {
        label: say('calculators.gauge.isAbout', { section: { value: section, unit: 'mm²' } }),
        unit: '',
        value: gaugeOf(section),
      },
    ]
  },
  example: {
    given: { gauge: 10, section: 1 },
    gives: [
      [say('calculators.gauge.of', { n: { value: 10, unit: '' } }), 5.261, 0.005],
      ['calculators.gauge.nextMetricSection', 6, 0],
      [say('calculators.gauge.isAbout', { section: { value: 1, unit: 'mm²' } }), 17, 0],
    ],
    from: 'ASTM B258, table 1: AWG 10 is 5.261 mm² (from memory)',
  },
})
