import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const minusIsFault = defineMisbelief({
  key: 'minusIsFault',
  chances: usual,
  drills: ['predict'],
  rule: 'alarmAtMinus',
  occasions: byRules('alarmAtMinus'),
})
