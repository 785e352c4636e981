import { feedBefore, newlyStruck } from '../../../assessment'
import { defineMisbelief, usual } from '../misbelief'
import { voltsBetween } from '../work'

/** V by which a reading lies above the good circuit's: less flows than should. */
const above = 0.1

export const moreVoltsBetter = defineMisbelief({
  key: 'moreVoltsBetter',
  chances: usual,
  drills: ['meaning', 'predictFault'],
  rule: 'voltsWithoutLoad',
  occasions: (work) =>
    work.readings.flatMap((reading) => {
      const { index, step, context, good = 0 } = reading
      const { value = 0 } = step.reading
      const before = feedBefore(context)
      if (!voltsBetween(reading)?.includes(0) || !before.size || value < good + above) return []
      if (value < 0.8 * work.source(reading)) return []
      const next = work.steps[index + 1]
      const inference = next?.type === 'infer' ? next : undefined
      const fresh = newlyStruck(context, { later: work.steps.slice(index + 1), inference })
      // What lies behind the point is in doubt now more than ever: higher volts say that less flows.
      const behind = fresh.filter(
        ({ id }) => !before.has(id) && context.after.lostWith(id, new Set()) > context.thresholds.follows,
      )
      return [{ step: index, shown: behind.length > 0 }]
    }),
})
