import { walkPaths } from '../../../model'
import { byPrediction } from '../by'
import { defineMisbelief, usual } from '../misbelief'
import type { Reading, Work } from '../work'

/** A below which nothing is left that could be used up. */
const something = 0.1

/** Parts round which, or in whose place, amps are read. */
const partsOf = ({ step: { held } }: Reading): readonly string[] =>
  held.type === 'jaws' ? held.round : held.type === 'series' || held.type === 'inPlaceOf' ? [held.part] : []

/** Behind a load, and before none. */
function isBehindLoad(reading: Reading, { order }: Work): boolean {
  const parts = partsOf(reading)
  const sides = walkPaths(order.circuit).flatMap(({ strides }) =>
    strides.filter(({ part }) => parts.includes(part)).map(({ side }) => side),
  )
  return sides.length > 0 && sides.every((side) => side === 'return')
}

/** What flows into a load comes out of it again. */
export const currentUsedUp = defineMisbelief({
  key: 'currentUsedUp',
  chances: usual,
  drills: ['predict', 'drawing'],
  occasions: byPrediction(
    (reading, work) =>
      ['clamp', 'amps'].includes(reading.step.instrument) &&
      Math.abs(reading.good) > something &&
      isBehindLoad(reading, work),
    (predicted, { good }) =>
      Math.abs(predicted) < 0.85 * Math.abs(good) && Math.abs(predicted) > 0.03 * Math.abs(good),
  ),
})
