import { filamentLaw, lightExponent } from '../../parts'
import { defineCalculator } from '../calculator'

export const lampAtVolts = defineCalculator({
  key: 'lampAtVolts',
  title: 'A lamp at other volts',
  words: ['dim', 'light', 'bulb', 'brightness', 'undervoltage'],
  about: 'What a filament lamp draws at other volts than its own, and how much of its light is left.',
  assumes: 'Warmed through, 20 °C around it; the heat of the filament decides its ohms.',
  formula: 'P = U² / R(T); light ∝ U^3.4',
  by: ['filamentLaw', 'lightExponent'],
  source: 'Heat balance of tungsten; light ∝ U^3.4 (IES handbook; from memory)',
  inputs: {
    ratedVolts: { label: 'Rated volts', unit: 'V', preset: 12, least: 1, most: 60 },
    ratedWatts: { label: 'Rated watts', unit: 'W', preset: 55, least: 0.1, most: 1000 },
    volts: { label: 'Gets', unit: 'V', preset: 10.5, least: 0, most: 60 },
  },
  results: ({ ratedVolts, ratedWatts, volts }) => {
    const out = { current: 0, slope: 0 }
    filamentLaw({ ratedVoltage: ratedVolts, ratedPower: ratedWatts, workingKelvin: 2800 }, 293.15).at(
      volts,
      out,
    )
    return [
      { label: 'Light left', unit: '%', value: 100 * (volts / ratedVolts) ** lightExponent },
      { label: 'Draws', unit: 'A', value: out.current },
      { label: 'Takes', unit: 'W', value: out.current * volts },
      { label: 'Its ohms now', unit: 'Ω', value: out.current > 0 ? volts / out.current : Number.NaN },
    ]
  },
  example: {
    given: { ratedVolts: 12, ratedWatts: 55, volts: 10.8 },
    gives: [
      ['Light left', 70, 1],
      ['Draws', 4.33, 0.08],
    ],
    from: 'ten percent less volts: about 70 % of the light and 94.5 % of the current (I ∝ U^0.55, IES handbook; from memory)',
  },
})
