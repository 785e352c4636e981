import { isDropTest } from '../../../assessment'
import { byPrediction } from '../by'
import { defineMisbelief, usual } from '../misbelief'
import { voltsBetween } from '../work'

/** Volts divide by ohms: a wire beside a lamp takes next to nothing. */
export const equalShares = defineMisbelief({
  key: 'equalShares',
  chances: usual,
  drills: ['predict', 'arithmetic'],
  rule: 'dropWithoutLoad',
  occasions: byPrediction(
    (reading, work) =>
      voltsBetween(reading) !== undefined &&
      isDropTest(reading.context) &&
      Math.abs(reading.good) < 0.1 * work.source(reading),
    (predicted, reading, work) => {
      const share = Math.abs(predicted) / work.source(reading)
      return share > 0.2 && share < 0.8
    },
  ),
})
