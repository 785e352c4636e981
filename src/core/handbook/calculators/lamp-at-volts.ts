import { filamentLaw, lightExponent } from '../../parts'
import { defineCalculator } from '../calculator'

export const lampAtVolts = defineCalculator({
  key: 'lampAtVolts',
  title: 'calculators.lampAtVolts.title',
  words: ['dim', 'light', 'bulb', 'brightness', 'undervoltage'],
  about: 'calculators.lampAtVolts.about',
  assumes: 'calculators.lampAtVolts.assumes',
  formula: 'calculators.lampAtVolts.formula',
  by: ['filamentLaw', 'lightExponent'],
  source: 'calculators.lampAtVolts.source',
  inputs: {
    ratedVolts: { label: 'calculators.ratedVolts', unit: 'V', preset: 12, least: 1, most: 60 },
    ratedWatts: { label: 'calculators.ratedWatts', unit: 'W', preset: 55, least: 0.1, most: 1000 },
    volts: { label: 'calculators.lampAtVolts.gets', unit: 'V', preset: 10.5, least: 0, most: 60 },
  },
  results: ({ ratedVolts, ratedWatts, volts }) => {
    const out = { current: 0, slope: 0 }
    filamentLaw({ ratedVoltage: ratedVolts, ratedPower: ratedWatts, workingKelvin: 2800 }, 293.15).at(
      volts,
      out,
    )
    return [
      {
        label: 'calculators.lampAtVolts.lightLeft',
        unit: '%',
        value: 100 * (volts / ratedVolts) ** lightExponent,
      },
      { label: 'calculators.draws', unit: 'A', value: out.current },
      { label: 'calculators.takes', unit: 'W', value: out.current * volts },
      {
        label: 'calculators.lampAtVolts.itsOhmsNow',
        unit: 'Ω',
        value: out.current > 0 ? volts / out.current : Number.NaN,
      },
    ]
  },
  example: {
    given: { ratedVolts: 12, ratedWatts: 55, volts: 10.8 },
    gives: [
      ['calculators.lampAtVolts.lightLeft', 70, 1],
      ['calculators.draws', 4.33, 0.08],
    ],
    from: 'ten percent less volts: about 70 % of the light and 94.5 % of the current (I ∝ U^0.55, IES handbook; from memory)',
  },
})
