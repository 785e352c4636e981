import { copperOhms } from '../../parts'
import { gaugeOf, sections } from '../../workshop'
import { defineCalculator } from '../calculator'

export const sectionForDrop = defineCalculator({
  key: 'sectionForDrop',
  title: 'Section that keeps a limit',
  words: ['cable', 'wire size', 'voltage drop', 'mm²', 'awg'],
  about: 'The thinnest copper wire that loses no more than is allowed, and the next one that is sold.',
  assumes: 'One wire, one way; its fuse and its place may ask for a thicker one.',
  formula: 'A = ρ · l · I / U',
  by: ['copperOhms', 'gaugeOf'],
  source: 'IEC 60028 for copper; sections as ISO 6722-1 has them (from memory)',
  inputs: {
    length: { label: 'Length, one way', unit: 'm', preset: 5, least: 0.01, most: 1000 },
    amps: { label: 'Current', unit: 'A', preset: 10, least: 0.01, most: 2000 },
    limit: { label: 'May lose', unit: 'V', preset: 0.2, least: 0.001, most: 50 },
    temperature: { label: 'Temperature', unit: '°C', preset: 20, least: -60, most: 200 },
  },
  results: ({ length, amps, limit, temperature }) => {
    const least = (amps * copperOhms(length, 1, temperature)) / limit
    const sold = sections.find((s) => s >= least * (1 - 1e-9))
    return [
      { label: 'At least', unit: 'mm²', value: least },
      sold === undefined
        ? {
            label: 'Sold',
            unit: 'mm²',
            value: Number.NaN,
            note: 'thicker than any of the table: two in parallel',
          }
        : { label: 'Sold', unit: 'mm²', value: sold, note: `about AWG ${gaugeOf(sold)}` },
      ...(sold === undefined
        ? []
        : [
            { label: 'Which loses', unit: 'V' as const, value: amps * copperOhms(length, sold, temperature) },
          ]),
    ]
  },
  example: {
    given: { length: 5, amps: 10, limit: 0.2, temperature: 20 },
    gives: [
      ['At least', 4.31, 0.01],
      ['Sold', 6, 0],
    ],
    from: 'textbook formula A = I · l / (58 · U): 10 · 5 / (58 · 0.2) = 4.31 mm²',
  },
})
