import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const noDropIsGood = defineMisbelief({
  key: 'noDropIsGood',
  chances: usual,
  drills: ['meaning', 'clears'],
  rule: 'zeroIsNotPerfect',
  occasions: byRules('dropWithoutLoad', 'zeroIsNotPerfect'),
})
