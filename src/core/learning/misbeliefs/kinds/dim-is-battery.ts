import { partOf } from '../../../model'
import { partOfKind } from '../../../parts'
import { defineMisbelief, usual } from '../misbelief'

/** Keys of notices of what gets too little. */
const starved = new Set([
  'dim',
  'glows',
  'slow',
  'weak',
  'crawls',
  'lukewarm',
  'starved',
  'clicks',
  'chatters',
])

export const dimIsBattery = defineMisbelief({
  key: 'dimIsBattery',
  chances: usual,
  drills: ['nextTest', 'whichSide'],
  rule: 'replacedBeforeTested',
  occasions: ({ order, blames }) => {
    const isSource = (part: string) => partOfKind(partOf(order.circuit, part).kind).role === 'source'
    if (!order.frame.complaint.some(({ notice }) => starved.has(notice))) return []
    if (order.planted.some(({ part }) => isSource(part))) return []
    return blames.slice(0, 1).map(({ index, piece }) => ({ step: index, shown: isSource(piece.part) }))
  },
})
