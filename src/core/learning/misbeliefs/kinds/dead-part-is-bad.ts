import { defineMisbelief } from '../misbelief'

export const deadPartIsBad = defineMisbelief({
  key: 'deadPartIsBad',
  // Whoever guesses names what does not work rather than anything else.
  chances: { held: 0.8, not: 0.09 },
  drills: ['whichSide', 'drawing'],
  rule: 'replacedBeforeTested',
  occasions: ({ order, blames, readings }) => {
    const complained = new Set(order.frame.complaint.map(({ part }) => part))
    if (!complained.size || order.planted.some(({ part }) => complained.has(part))) return []
    // Whoever has tested its feed alone holds something else.
    if (readings.some(({ breaks }) => breaks.has('feedOnly'))) return []
    return blames.slice(0, 1).map(({ index, piece }) => ({ step: index, shown: complained.has(piece.part) }))
  },
})
