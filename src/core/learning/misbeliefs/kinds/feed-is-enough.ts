import { partOf } from '../../../model'
import { partOfKind } from '../../../parts'
import { defineMisbelief, usual } from '../misbelief'

export const feedIsEnough = defineMisbelief({
  key: 'feedIsEnough',
  chances: usual,
  drills: ['whichSide', 'predict'],
  rule: 'feedOnly',
  // Whoever blames a load has tested its return before, or has not.
  occasions: ({ order, steps, readings }) =>
    steps.flatMap((step, index) => {
      if (step.type !== 'conclude') return []
      const [part] = step.piece.split('.')
      if (!order.circuit.parts.some(({ id }) => id === part)) return []
      if (partOfKind(partOf(order.circuit, part!).kind).role !== 'load') return []
      const before = readings.filter((one) => one.index < index)
      return before.length
        ? [{ step: index, shown: before.some(({ breaks }) => breaks.has('feedOnly')) }]
        : []
    }),
})
