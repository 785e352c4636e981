import { figures, say } from '../../document'
import { copperOhms } from '../../parts'
import { gaugeOf, sections } from '../../workshop'
import { defineCalculator } from '../calculator'

export const sectionForDrop = defineCalculator({
  key: 'sectionForDrop',
  title: 'calculators.sectionForDrop.title',
  words: ['cable', 'wire size', 'voltage drop', 'mm²', 'awg'],
  about: 'calculators.sectionForDrop.about',
  assumes: 'calculators.sectionForDrop.assumes',
  formula: figures('A = ρ · l · I / U'),
  by: ['copperOhms', 'gaugeOf'],
  source: 'calculators.sectionForDrop.source',
  inputs: {
    length: { label: 'calculators.lengthOneWay', unit: 'm', preset: 5, least: 0.01, most: 1000 },
    amps: { label: 'calculators.current', unit: 'A', preset: 10, least: 0.01, most: 2000 },
    limit: { label: 'calculators.sectionForDrop.mayLose', unit: 'V', preset: 0.2, least: 0.001, most: 50 },
    temperature: { label: 'calculators.temperature', unit: '°C', preset: 20, least: -60, most: 200 },
  },
  results: ({ length, amps, limit, temperature }) => {
    const least = (amps * copperOhms(length, 1, temperature)) / limit
    const sold = sections.find((s) => s >= least * (1 - 1e-9))
    return [
      { label: 'calculators.atLeast', unit: 'mm²', value: least },
      sold === undefined
        ? {
            label: 'calculators.sectionForDrop.sold',
            unit: 'mm²',
            value: Number.NaN,
            note: 'calculators.sectionForDrop.thicker' as const,
          }
        : {
            label: 'calculators.sectionForDrop.sold',
            unit: 'mm²',
            value: sold,
            note: say('calculators.aboutGauge', { n: gaugeOf(sold) }),
          },
      ...(sold === undefined
        ? []
        : [
            {
              label: 'calculators.sectionForDrop.whichLoses' as const,
              unit: 'V' as const,
              value: amps * copperOhms(length, sold, temperature),
            },
          ]),
    ]
  },
  example: {
    given: { length: 5, amps: 10, limit: 0.2, temperature: 20 },
    gives: [
      ['calculators.atLeast', 4.31, 0.01],
      ['calculators.sectionForDrop.sold', 6, 0],
    ],
    from: 'textbook formula A = I · l / (58 · U): 10 · 5 / (58 · 0.2) = 4.31 mm²',
  },
})
