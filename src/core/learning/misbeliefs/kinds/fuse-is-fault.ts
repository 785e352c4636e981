import { partOf } from '../../../model'
import { partOfKind } from '../../../parts'
import { defineMisbelief, usual } from '../misbelief'

export const fuseIsFault = defineMisbelief({
  key: 'fuseIsFault',
  chances: usual,
  drills: ['nextTest', 'drawing'],
  rule: 'replacedBeforeTested',
  // What is blamed first.
  occasions: ({ order, blames }) => {
    const protects = (part: string) => partOfKind(partOf(order.circuit, part).kind).role === 'protection'
    if (order.planted.some(({ part }) => protects(part))) return []
    if (!order.circuit.parts.some(({ id }) => protects(id))) return []
    return blames.slice(0, 1).map(({ index, piece }) => ({ step: index, shown: protects(piece.part) }))
  },
})
