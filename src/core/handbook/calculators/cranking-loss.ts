import { copperOhms } from '../../parts'
import { defineCalculator } from '../calculator'

export const crankingLoss = defineCalculator({
  key: 'crankingLoss',
  title: 'calculators.crankingLoss.title',
  words: ['starter', 'battery cable', 'no crank', 'stud'],
  about: 'calculators.crankingLoss.about',
  assumes: 'calculators.crankingLoss.assumes',
  formula: 'calculators.crankingLoss.formula',
  by: ['copperOhms'],
  source: 'calculators.crankingLoss.source',
  inputs: {
    length: {
      label: 'calculators.crankingLoss.cablesThereAndBack',
      unit: 'm',
      preset: 3,
      least: 0.1,
      most: 50,
    },
    section: { label: 'calculators.section', unit: 'mm²', preset: 35, least: 4, most: 150 },
    amps: { label: 'calculators.starterDraws', unit: 'A', preset: 180, least: 1, most: 3000 },
    joints: { label: 'calculators.crankingLoss.joints', unit: '', preset: 4, least: 0, most: 20 },
    joint: { label: 'calculators.crankingLoss.eachJoint', unit: 'Ω', preset: 0.0001, least: 0, most: 0.1 },
  },
  results: ({ length, section, amps, joints, joint }) => {
    const cables = amps * copperOhms(length, section, 20)
    return [
      { label: 'calculators.crankingLoss.lostInAll', unit: 'V', value: cables + amps * joints * joint },
      { label: 'calculators.crankingLoss.inTheCables', unit: 'V', value: cables },
      { label: 'calculators.crankingLoss.inTheJoints', unit: 'V', value: amps * joints * joint },
    ]
  },
  example: {
    given: { length: 2, section: 50, amps: 200, joints: 0, joint: 0 },
    gives: [['calculators.crankingLoss.lostInAll', 0.1379, 0.0002]],
    from: 'IEC 60028: 200 A · 2 m / (58 · 50 mm²)',
  },
})
