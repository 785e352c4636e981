import { isDropTest } from '../../../assessment'
import { byPrediction } from '../by'
import { defineMisbelief, usual } from '../misbelief'
import { voltsBetween } from '../work'

/** Between two points of one side lies what that side loses, not what it carries. */
export const oneSideReadsSource = defineMisbelief({
  key: 'oneSideReadsSource',
  chances: usual,
  drills: ['predict', 'arithmetic'],
  rule: 'sourceReadAsGood',
  occasions: byPrediction(
    (reading, work) =>
      voltsBetween(reading) !== undefined &&
      isDropTest(reading.context) &&
      Math.abs(reading.good) < 0.1 * work.source(reading),
    (predicted, reading, work) => Math.abs(predicted) > 0.85 * work.source(reading),
  ),
})
