import { combine, heatOf, wattsFor, type Combination } from '../../workshop'
import { defineCalculator } from '../calculator'

const pair = ({ how, ohms }: Combination): string => ohms.join(how === 'parallel' ? ' ∥ ' : ' + ')

export const resistors = defineCalculator({
  key: 'resistors',
  title: 'A resistor out of the drawer',
  words: ['pair', 'series', 'parallel', 'e12', 'e24', 'watts', 'hot'],
  about:
    'The nearest pair of E12 and of E24 for wanted ohms, the watts it takes, the rating to buy and how hot it gets.',
  assumes: 'Free air; twice the watts as rating. Skin burns above about 60 °C.',
  formula: 'P = I² · R; rating ≥ 2 · P',
  by: ['combine', 'heatOf', 'wattsFor'],
  source: 'IEC 60063 for the series; heat of wirewound resistors: makers’ usual figures, from memory',
  inputs: {
    ohms: { label: 'Wanted', unit: 'Ω', preset: 3.4, least: 0.01, most: 1e6 },
    amps: { label: 'Current through it', unit: 'A', preset: 1.5, least: 0, most: 200 },
  },
  results: ({ ohms, amps }) => {
    const [twelve, four] = [combine(ohms, 'E12'), combine(ohms, 'E24')]
    const watts = amps ** 2 * ohms
    const rating = wattsFor(watts)
    return [
      { label: 'Of E12', unit: 'Ω', value: twelve.total, note: pair(twelve) },
      { label: 'Of E24', unit: 'Ω', value: four.total, note: pair(four) },
      { label: 'Takes', unit: 'W', value: watts },
      {
        label: 'Rating',
        unit: 'W',
        value: rating ?? Number.NaN,
        ...(rating === undefined && { note: 'none that is sold' }),
      },
      ...(rating === undefined
        ? []
        : [{ label: 'Its surface', unit: '°C' as const, value: heatOf(watts, rating).surface }]),
    ]
  },
  example: {
    given: { ohms: 100, amps: 0.1 },
    gives: [
      ['Of E12', 100, 0],
      ['Takes', 1, 1e-9],
      ['Rating', 2, 0],
    ],
    from: 'IEC 60063: 100 is a value of E12',
  },
})
