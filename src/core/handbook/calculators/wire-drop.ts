import { copperOhms } from '../../parts'
import { defineCalculator } from '../calculator'

export const wireDrop = defineCalculator({
  key: 'wireDrop',
  title: 'Drop of a wire',
  words: ['cable', 'voltage drop', 'section', 'length', 'mm²'],
  about: 'Ohms of a copper wire and what it loses, one way.',
  assumes: 'One wire of annealed copper, warm all through; the way back counts by itself.',
  formula: 'U = I · ρ · l / A, ρ rises by 0.393 % per kelvin',
  by: ['copperOhms'],
  source: 'IEC 60028: 1/58 Ω·mm²/m at 20 °C, 0.00393 per kelvin',
  inputs: {
    length: { label: 'Length, one way', unit: 'm', preset: 3, least: 0.001, most: 1000 },
    section: { label: 'Section', unit: 'mm²', preset: 1.5, least: 0.05, most: 300 },
    amps: { label: 'Current', unit: 'A', preset: 4.6, least: 0, most: 2000 },
    temperature: { label: 'Temperature', unit: '°C', preset: 20, least: -60, most: 200 },
  },
  results: ({ length, section, amps, temperature }) => {
    const ohms = copperOhms(length, section, temperature)
    return [
      { label: 'Loses', unit: 'V', value: amps * ohms },
      { label: 'Its ohms', unit: 'Ω', value: ohms },
      { label: 'Heats by', unit: 'W', value: amps ** 2 * ohms },
    ]
  },
  example: {
    given: { length: 1, section: 1, amps: 10, temperature: 20 },
    gives: [
      ['Loses', 0.1724, 0.0001],
      ['Its ohms', 0.01724, 0.00001],
    ],
    from: 'IEC 60028: 0.017241 Ω for one metre of one square millimetre at 20 °C',
  },
})
