import { areaOfGauge } from '../../quantity'
import { gaugeOf, sections } from '../../workshop'
import { defineCalculator } from '../calculator'

export const gauge = defineCalculator({
  key: 'gauge',
  title: 'AWG and mm²',
  words: ['gauge', 'wire size', 'american', 'section'],
  about: 'The section of a gauge, the next metric one above it, and the gauge nearest to a section.',
  assumes: 'Solid wire; stranded wire of a gauge has about the same copper.',
  formula: 'A = π/4 · (0.127 mm · 92^((36 − n)/39))²',
  by: ['areaOfGauge', 'gaugeOf'],
  source: 'ASTM B258: diameter 0.127 mm · 92^((36 − n)/39)',
  inputs: {
    gauge: { label: 'AWG', unit: '', preset: 14, least: 0, most: 40 },
    section: { label: 'or a section', unit: 'mm²', preset: 2.5, least: 0.01, most: 120 },
  },
  results: ({ gauge: n, section }) => {
    const area = areaOfGauge(n)
    return [
      { label: `AWG ${n}`, unit: 'mm²', value: area },
      {
        label: 'Next metric section',
        unit: 'mm²',
        value: sections.find((s) => s >= area * 0.97) ?? Number.NaN,
      },
      { label: `${section} mm² is about AWG`, unit: '', value: gaugeOf(section) },
    ]
  },
  example: {
    given: { gauge: 10, section: 1 },
    gives: [
      ['AWG 10', 5.261, 0.005],
      ['Next metric section', 6, 0],
      ['1 mm² is about AWG', 17, 0],
    ],
    from: 'ASTM B258, table 1: AWG 10 is 5.261 mm² (from memory)',
  },
})
