import { defineMisbelief, usual } from '../misbelief'

export const jawsRoundAll = defineMisbelief({
  key: 'jawsRoundAll',
  chances: usual,
  drills: ['setMeter', 'meaning'],
  rule: 'jawsRoundTwo',
  occasions: ({ readings }) =>
    readings
      .filter(({ step }) => step.held.type === 'jaws')
      .map(({ index, breaks }) => ({ step: index, shown: breaks.has('jawsRoundTwo') })),
})
