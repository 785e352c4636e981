import { internalResistance, loadTestLeast, openCircuitVoltage } from '../../parts'
import { defineCalculator } from '../calculator'

export const loadTest = defineCalculator({
  key: 'loadTest',
  title: 'calculators.loadTest.title',
  words: ['load test', 'cold cranking', 'crank', 'capacity', 'temperature'],
  about: 'calculators.loadTest.about',
  assumes: 'calculators.loadTest.assumes',
  formula: 'calculators.loadTest.formula',
  by: ['internalResistance', 'loadTestLeast', 'openCircuitVoltage'],
  source: 'calculators.loadTest.source',
  inputs: {
    rating: {
      label: 'calculators.loadTest.coldCrankingRating',
      unit: 'A',
      preset: 600,
      least: 50,
      most: 2000,
    },
    temperature: { label: 'calculators.temperature', unit: '°C', preset: 20, least: -30, most: 60 },
    charge: { label: 'calculators.stateOfCharge', unit: '%', preset: 90, least: 0, most: 100 },
    amps: { label: 'calculators.starterDraws', unit: 'A', preset: 180, least: 1, most: 2000 },
  },
  results: ({ rating, temperature, charge, amps }) => {
    const open = openCircuitVoltage(charge)
    const inside = internalResistance(rating, charge, temperature)
    return [
      { label: 'calculators.loadTest.mustHold', unit: 'V', value: loadTestLeast(temperature) },
      { label: 'calculators.loadTest.testWith', unit: 'A', value: rating / 2 },
      {
        label: 'calculators.loadTest.aSoundOneHolds',
        unit: 'V',
        value: Math.max(0, open - (rating / 2) * inside),
      },
      { label: 'calculators.loadTest.whileItCranks', unit: 'V', value: Math.max(0, open - amps * inside) },
    ]
  },
  example: {
    given: { rating: 600, temperature: 21, charge: 100, amps: 1 },
    gives: [
      ['calculators.loadTest.mustHold', 9.6, 1e-9],
      ['calculators.loadTest.testWith', 300, 1e-9],
      ['calculators.loadTest.aSoundOneHolds', 10.8, 0.3],
    ],
    from: 'common practice, no source: 9.6 V at 21 °C after 15 s of half the rating; a good one stays between 10.2 and 10.8 V',
  },
})
