import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const voltsMeanFeed = defineMisbelief({
  key: 'voltsMeanFeed',
  chances: usual,
  drills: ['meaning', 'whichSide'],
  rule: 'voltsWithoutLoad',
  occasions: byRules('voltsWithoutLoad'),
})
