import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const sourceOnDrop = defineMisbelief({
  key: 'sourceOnDrop',
  chances: usual,
  drills: ['predictFault', 'clears'],
  rule: 'sourceReadAsGood',
  occasions: byRules('sourceReadAsGood'),
})
