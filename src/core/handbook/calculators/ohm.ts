import { defineCalculator } from '../calculator'

export const ohm = defineCalculator({
  key: 'ohm',
  title: 'Ohm and Watt',
  words: ['volts', 'amps', 'resistance', 'power', 'ohm’s law'],
  about: 'Amps and watts of a load from the volts that stand across it and its ohms at work.',
  assumes: 'The ohms at work: a lamp has about a tenth of them when it is cold.',
  formula: 'I = U / R, P = U² / R',
  by: [],
  source: 'I = U / R, P = U · I (IEC 60050-131; Ohm, Joule)',
  inputs: {
    volts: { label: 'Volts across it', unit: 'V', preset: 12, least: 0, most: 1000 },
    ohms: { label: 'Ohms at work', unit: 'Ω', preset: 2.6, least: 0.0001, most: 1e8 },
  },
  results: ({ volts, ohms }) => [
    { label: 'Draws', unit: 'A', value: volts / ohms },
    { label: 'Takes', unit: 'W', value: volts ** 2 / ohms },
  ],
  example: {
    given: { volts: 12, ohms: 3 },
    gives: [
      ['Draws', 4, 1e-9],
      ['Takes', 48, 1e-9],
    ],
    from: 'arithmetic of the definition',
  },
})
