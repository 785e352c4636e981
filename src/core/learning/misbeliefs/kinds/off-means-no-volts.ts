import { carries, feedBefore } from '../../../assessment'
import { byPrediction } from '../by'
import { defineMisbelief, usual } from '../misbelief'
import { voltsBetween } from '../work'

/** Up to an open switch the feed has the source's volts, whether or not anything flows. */
export const offMeansNoVolts = defineMisbelief({
  key: 'offMeansNoVolts',
  chances: usual,
  drills: ['predict', 'meaning'],
  rule: 'voltsWithoutLoad',
  occasions: byPrediction(
    (reading, work) => {
      if (!voltsBetween(reading)?.includes(0)) return false
      const board = work.predictor.board(undefined, reading.context.setup.state)
      const before = feedBefore(reading.context)
      return (
        reading.good > 0.85 * work.source(reading) &&
        before.size > 0 &&
        board !== undefined &&
        !carries(board, before)
      )
    },
    (predicted, reading, work) => Math.abs(predicted) < 0.15 * work.source(reading),
  ),
})
