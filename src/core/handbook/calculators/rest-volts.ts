import { openCircuitVoltage } from '../../parts'
import { defineCalculator } from '../calculator'

/** State of charge of a rested 12 V block, percent; beyond the table's ends none or all. */
function chargeAt(volts: number): number {
  let [low, high] = [0, 100]
  if (volts <= openCircuitVoltage(0)) return 0
  if (volts >= openCircuitVoltage(100)) return 100
  for (let n = 0; n < 40; n++) {
    const middle = (low + high) / 2
    if (openCircuitVoltage(middle) < volts) low = middle
    else high = middle
  }
  return low
}

export const restVolts = defineCalculator({
  key: 'restVolts',
  title: 'calculators.restVolts.title',
  words: ['state of charge', 'drain', 'parasitic', 'key off', 'flat'],
  about: 'calculators.restVolts.about',
  assumes: 'calculators.restVolts.assumes',
  formula: 'calculators.restVolts.formula',
  by: ['openCircuitVoltage'],
  source: 'calculators.restVolts.source',
  inputs: {
    volts: { label: 'calculators.restVolts.voltsAtRest', unit: 'V', preset: 12.5, least: 8, most: 14 },
    capacity: { label: 'calculators.restVolts.capacityAh', unit: '', preset: 70, least: 1, most: 1000 },
    drain: { label: 'calculators.restVolts.drain', unit: 'A', preset: 0.5, least: 0.0001, most: 100 },
  },
  results: ({ volts, capacity, drain }) => {
    const charge = chargeAt(volts)
    return [
      { label: 'calculators.stateOfCharge', unit: '%', value: charge },
      { label: 'calculators.restVolts.hoursToFlat', unit: '', value: (capacity * charge) / 100 / drain },
      {
        label: 'calculators.restVolts.hoursToHalfOfThat',
        unit: '',
        value: (capacity * charge) / 200 / drain,
      },
    ]
  },
  example: {
    given: { volts: 12.65, capacity: 60, drain: 0.5 },
    gives: [
      ['calculators.stateOfCharge', 100, 8],
      ['calculators.restVolts.hoursToFlat', 120, 10],
    ],
    from: 'common practice, no source: 12.6 V and more at rest is a full block',
  },
})
