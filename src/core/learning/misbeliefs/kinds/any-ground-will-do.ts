import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const anyGroundWillDo = defineMisbelief({
  key: 'anyGroundWillDo',
  chances: usual,
  drills: ['whichSide', 'predict'],
  rule: 'badGroundReference',
  occasions: byRules('badGroundReference'),
})
