import { internalResistance, loadTestLeast, openCircuitVoltage } from '../../parts'
import { defineCalculator } from '../calculator'

export const loadTest = defineCalculator({
  key: 'loadTest',
  title: 'Battery under load: its test, and while it cranks',
  words: ['load test', 'cold cranking', 'crank', 'capacity', 'temperature'],
  about:
    'What a 12 V block must hold after 15 s of half its cold-cranking rating, by its temperature; what a sound one of this charge does hold then, and while a starter draws its amps.',
  assumes:
    'Charged to 75 % at least before it is tested; no surface charge. At its posts, not behind its clamps.',
  formula: 'U = U₀(charge) − I · R(rating, charge, temperature)',
  by: ['internalResistance', 'loadTestLeast', 'openCircuitVoltage'],
  source:
    'Cold-cranking test SAE J537 and EN 50342-1 (from memory); volts by temperature as workshop manuals print them (from memory)',
  inputs: {
    rating: { label: 'Cold-cranking rating', unit: 'A', preset: 600, least: 50, most: 2000 },
    temperature: { label: 'Temperature', unit: '°C', preset: 20, least: -30, most: 60 },
    charge: { label: 'State of charge', unit: '%', preset: 90, least: 0, most: 100 },
    amps: { label: 'Starter draws', unit: 'A', preset: 180, least: 1, most: 2000 },
  },
  results: ({ rating, temperature, charge, amps }) => {
    const open = openCircuitVoltage(charge)
    const inside = internalResistance(rating, charge, temperature)
    return [
      { label: 'Must hold', unit: 'V', value: loadTestLeast(temperature) },
      { label: 'Test with', unit: 'A', value: rating / 2 },
      { label: 'A sound one holds', unit: 'V', value: Math.max(0, open - (rating / 2) * inside) },
      { label: 'While it cranks', unit: 'V', value: Math.max(0, open - amps * inside) },
    ]
  },
  example: {
    given: { rating: 600, temperature: 21, charge: 100, amps: 1 },
    gives: [
      ['Must hold', 9.6, 1e-9],
      ['Test with', 300, 1e-9],
      ['A sound one holds', 10.8, 0.3],
    ],
    from: 'common practice, no source: 9.6 V at 21 °C after 15 s of half the rating; a good one stays between 10.2 and 10.8 V',
  },
})
