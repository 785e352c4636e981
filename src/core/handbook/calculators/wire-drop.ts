import { copperOhms } from '../../parts'
import { defineCalculator } from '../calculator'

export const wireDrop = defineCalculator({
  key: 'wireDrop',
  title: 'calculators.wireDrop.title',
  words: ['cable', 'voltage drop', 'section', 'length', 'mm²'],
  about: 'calculators.wireDrop.about',
  assumes: 'calculators.wireDrop.assumes',
  formula: 'calculators.wireDrop.formula',
  by: ['copperOhms'],
  source: 'calculators.wireDrop.source',
  inputs: {
    length: { label: 'calculators.lengthOneWay', unit: 'm', preset: 3, least: 0.001, most: 1000 },
    section: { label: 'calculators.section', unit: 'mm²', preset: 1.5, least: 0.05, most: 300 },
    amps: { label: 'calculators.current', unit: 'A', preset: 4.6, least: 0, most: 2000 },
    temperature: { label: 'calculators.temperature', unit: '°C', preset: 20, least: -60, most: 200 },
  },
  results: ({ length, section, amps, temperature }) => {
    const ohms = copperOhms(length, section, temperature)
    return [
      { label: 'calculators.wireDrop.loses', unit: 'V', value: amps * ohms },
      { label: 'calculators.wireDrop.itsOhms', unit: 'Ω', value: ohms },
      { label: 'calculators.wireDrop.heatsBy', unit: 'W', value: amps ** 2 * ohms },
    ]
  },
  example: {
    given: { length: 1, section: 1, amps: 10, temperature: 20 },
    gives: [
      ['calculators.wireDrop.loses', 0.1724, 0.0001],
      ['calculators.wireDrop.itsOhms', 0.01724, 0.00001],
    ],
    from: 'IEC 60028: 0.017241 Ω for one metre of one square millimetre at 20 °C',
  },
})
