import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const ohmsProveWire = defineMisbelief({
  key: 'ohmsProveWire',
  chances: usual,
  drills: ['clears', 'limits'],
  rule: 'coldOhmsTrusted',
  occasions: byRules('coldOhmsTrusted'),
})
