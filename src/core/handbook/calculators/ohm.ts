import { figures } from '../../document'
import { defineCalculator } from '../calculator'

export const ohm = defineCalculator({
  key: 'ohm',
  title: 'calculators.ohm.title',
  words: ['volts', 'amps', 'resistance', 'power', 'ohm’s law'],
  about: 'calculators.ohm.about',
  assumes: 'calculators.ohm.assumes',
  formula: figures('I = U / R, P = U² / R'),
  by: [],
  source: 'calculators.ohm.source',
  inputs: {
    volts: { label: 'calculators.ohm.voltsAcrossIt', unit: 'V', preset: 12, least: 0, most: 1000 },
    ohms: { label: 'calculators.ohmsAtWork', unit: 'Ω', preset: 2.6, least: 0.0001, most: 1e8 },
  },
  results: ({ volts, ohms }) => [
    { label: 'calculators.draws', unit: 'A', value: volts / ohms },
    { label: 'calculators.takes', unit: 'W', value: volts ** 2 / ohms },
  ],
  example: {
    given: { volts: 12, ohms: 3 },
    gives: [
      ['calculators.draws', 4, 1e-9],
      ['calculators.takes', 48, 1e-9],
    ],
    from: 'arithmetic of the definition',
  },
})
