import { ampsByFuse, workshopMeter } from '../../instruments'
import { fuseTypes } from '../../parts'
import { defineCalculator } from '../calculator'
import { coldFuse, fuseBody } from '../cold-fuse'

export const fuseVolts = defineCalculator({
  key: 'fuseVolts',
  title: 'calculators.fuseVolts.title',
  words: ['drop', 'parasitic', 'drain', 'mv', 'current by fuse'],
  about: 'calculators.fuseVolts.about',
  assumes: coldFuse.assumes,
  formula: 'calculators.fuseVolts.formula',
  by: ['ampsByFuse'],
  source: coldFuse.source,
  inputs: {
    type: fuseBody(1),
    rating: { label: 'calculators.rating', unit: 'A', preset: 10, least: 1, most: 100 },
    volts: { label: 'calculators.fuseVolts.acrossIt', unit: 'V', preset: 0.004, least: 0, most: 1 },
  },
  results: ({ type, rating, volts }) => {
    const found = ampsByFuse(fuseTypes[type] ?? 'regular', rating, volts, workshopMeter)
    return [
      {
        label: 'calculators.fuseVolts.flows',
        unit: 'A',
        value: found.tableAmps,
        ...(!found.honest && { note: 'calculators.fuseVolts.dishonest' }),
      },
    ]
  },
  example: {
    given: { type: 1, rating: 10, volts: 0.0077 },
    gives: [['calculators.fuseVolts.flows', 1, 0.15]],
    from: 'a 10 A blade fuse of about 7.7 mΩ cold (makers’ tables; from memory)',
  },
})
