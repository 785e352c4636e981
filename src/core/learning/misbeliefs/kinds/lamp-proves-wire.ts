import { byRules } from '../by'
import { defineMisbelief, usual } from '../misbelief'

export const lampProvesWire = defineMisbelief({
  key: 'lampProvesWire',
  chances: usual,
  drills: ['setMeter', 'clears'],
  rule: 'lampTooLight',
  occasions: byRules('lampTooLight'),
})
