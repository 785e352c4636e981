import { figures, type Words } from '../../document'
import { combine, heatOf, wattsFor, type Combination } from '../../workshop'
import { defineCalculator } from '../calculator'

const pair = ({ how, ohms }: Combination): Words => figures(ohms.join(how === 'parallel' ? ' ∥ ' : ' + '))

export const resistors = defineCalculator({
  key: 'resistors',
  title: 'calculators.resistors.title',
  words: ['pair', 'series', 'parallel', 'e12', 'e24', 'watts', 'hot'],
  about: 'calculators.resistors.about',
  assumes: 'calculators.resistors.assumes',
  formula: 'calculators.resistors.formula',
  by: ['combine', 'heatOf', 'wattsFor'],
  source: 'calculators.resistors.source',
  inputs: {
    ohms: { label: 'calculators.resistors.wanted', unit: 'Ω', preset: 3.4, least: 0.01, most: 1e6 },
    amps: { label: 'calculators.resistors.currentThroughIt', unit: 'A', preset: 1.5, least: 0, most: 200 },
  },
  results: ({ ohms, amps }) => {
    const [twelve, four] = [combine(ohms, 'E12'), combine(ohms, 'E24')]
    const watts = amps ** 2 * ohms
    const rating = wattsFor(watts)
    return [
      { label: 'calculators.resistors.ofE12', unit: 'Ω', value: twelve.total, note: pair(twelve) },
      { label: 'calculators.resistors.ofE24', unit: 'Ω', value: four.total, note: pair(four) },
      { label: 'calculators.takes', unit: 'W', value: watts },
      {
        label: 'calculators.rating',
        unit: 'W',
        value: rating ?? Number.NaN,
        ...(rating === undefined && { note: 'calculators.noneSold' as const }),
      },
      ...(rating === undefined
        ? []
        : [
            {
              label: 'calculators.resistors.itsSurface' as const,
              unit: '°C' as const,
              value: heatOf(watts, rating).surface,
            },
          ]),
    ]
  },
  example: {
    given: { ohms: 100, amps: 0.1 },
    gives: [
      ['calculators.resistors.ofE12', 100, 0],
      ['calculators.takes', 1, 1e-9],
      ['calculators.rating', 2, 0],
    ],
    from: 'IEC 60063: 100 is a value of E12',
  },
})
