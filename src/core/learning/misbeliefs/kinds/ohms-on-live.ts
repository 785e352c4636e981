import { natureOf } from '../../../assessment'
import { defineMisbelief, usual } from '../misbelief'

export const ohmsOnLive = defineMisbelief({
  key: 'ohmsOnLive',
  chances: usual,
  drills: ['unsafe', 'setMeter'],
  rule: 'ohmsLive',
  occasions: ({ readings }) =>
    readings
      .filter(({ context }) => natureOf(context).needsDead)
      .map(({ index, context }) => ({ step: index, shown: context.live })),
})
