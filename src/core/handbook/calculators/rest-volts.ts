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
  title: 'Battery at rest, and hours until a drain has emptied it',
  words: ['state of charge', 'drain', 'parasitic', 'key off', 'flat'],
  about:
    'State of charge of a rested 12 V block from its volts, and how long a drain takes to half and to flat.',
  assumes: 'Rested for hours, about 25 °C, flooded lead–acid; surface charge reads too high.',
  formula: 'U₀(charge), read backwards; hours = capacity · charge / drain',
  by: ['openCircuitVoltage'],
  source: 'Open-circuit volts by charge: common workshop table, no source',
  inputs: {
    volts: { label: 'Volts at rest', unit: 'V', preset: 12.5, least: 8, most: 14 },
    capacity: { label: 'Capacity, Ah', unit: '', preset: 70, least: 1, most: 1000 },
    drain: { label: 'Drain', unit: 'A', preset: 0.5, least: 0.0001, most: 100 },
  },
  results: ({ volts, capacity, drain }) => {
    const charge = chargeAt(volts)
    return [
      { label: 'State of charge', unit: '%', value: charge },
      { label: 'Hours to flat', unit: '', value: (capacity * charge) / 100 / drain },
      { label: 'Hours to half of that', unit: '', value: (capacity * charge) / 200 / drain },
    ]
  },
  example: {
    given: { volts: 12.65, capacity: 60, drain: 0.5 },
    gives: [
      ['State of charge', 100, 8],
      ['Hours to flat', 120, 10],
    ],
    from: 'common practice, no source: 12.6 V and more at rest is a full block',
  },
})
