import { copperOhms } from '../../parts'
import { defineCalculator } from '../calculator'

export const crankingLoss = defineCalculator({
  key: 'crankingLoss',
  title: 'Cable loss in cranking',
  words: ['starter', 'battery cable', 'no crank', 'stud'],
  about: 'What cables and joints lose of the volts while the starter turns.',
  assumes: 'Feed and return of the same cable; each stud one joint.',
  formula: 'U = I · (2 · ρ · l / A + n · R_joint)',
  by: ['copperOhms'],
  source: 'IEC 60028 for copper; 0.2 to 0.5 V in all is common practice, no source',
  inputs: {
    length: { label: 'Cables, there and back', unit: 'm', preset: 3, least: 0.1, most: 50 },
    section: { label: 'Section', unit: 'mm²', preset: 35, least: 4, most: 150 },
    amps: { label: 'Starter draws', unit: 'A', preset: 180, least: 1, most: 3000 },
    joints: { label: 'Joints', unit: '', preset: 4, least: 0, most: 20 },
    joint: { label: 'Each joint', unit: 'Ω', preset: 0.0001, least: 0, most: 0.1 },
  },
  results: ({ length, section, amps, joints, joint }) => {
    const cables = amps * copperOhms(length, section, 20)
    return [
      { label: 'Lost in all', unit: 'V', value: cables + amps * joints * joint },
      { label: 'in the cables', unit: 'V', value: cables },
      { label: 'in the joints', unit: 'V', value: amps * joints * joint },
    ]
  },
  example: {
    given: { length: 2, section: 50, amps: 200, joints: 0, joint: 0 },
    gives: [['Lost in all', 0.1379, 0.0002]],
    from: 'IEC 60028: 200 A · 2 m / (58 · 50 mm²)',
  },
})
