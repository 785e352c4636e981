import { carries, isDropTest, piecesBetween } from '../../../assessment'
import { byPrediction } from '../by'
import { defineMisbelief, usual } from '../misbelief'
import { voltsBetween } from '../work'

/** Across what is open in a good circuit stands all that the source has. */
export const openReadsNothing = defineMisbelief({
  key: 'openReadsNothing',
  chances: usual,
  drills: ['predict', 'predictFault'],
  rule: 'sourceReadAsGood',
  occasions: byPrediction(
    (reading, work) => {
      if (!voltsBetween(reading) || !isDropTest(reading.context)) return false
      const board = work.predictor.board(undefined, reading.context.setup.state)
      return (
        Math.abs(reading.good) > 0.8 * work.source(reading) &&
        board !== undefined &&
        !carries(board, piecesBetween(reading.context))
      )
    },
    (predicted, reading, work) => Math.abs(predicted) < 0.15 * work.source(reading),
  ),
})
