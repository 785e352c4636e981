import { isDropTest, newlyStruck } from '../../../assessment'
import { defineMisbelief, usual } from '../misbelief'
import { voltsBetween } from '../work'

/** Where nothing holds a point, a meter shows what it likes. */
export const displayIsReal = defineMisbelief({
  key: 'displayIsReal',
  chances: usual,
  drills: ['meaning', 'setMeter'],
  rule: 'nothingFlows',
  occasions: ({ readings, steps }) =>
    readings.flatMap((reading) => {
      const { index, context } = reading
      const ends = voltsBetween(reading)
      if (!ends || isDropTest(context) || context.board.tied(...ends)) return []
      const next = steps[index + 1]
      const inference = next?.type === 'infer' ? next : undefined
      const fresh = newlyStruck(context, { later: steps.slice(index + 1), inference })
      return [
        {
          step: index,
          shown: fresh.some(({ id }) => context.after.lostWith(id, new Set()) > context.thresholds.follows),
        },
      ]
    }),
})
