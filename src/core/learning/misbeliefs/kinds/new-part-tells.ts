import { repairOf } from '../../../attempt'
import { defineMisbelief } from '../misbelief'

/** Doubt, 0 to 1, from which a new part is the repair of what has been found, and no test. */
const found = 0.3

export const newPartTells = defineMisbelief({
  key: 'newPartTells',
  chances: { held: 0.8, not: 0.04 },
  drills: ['nextTest', 'clears'],
  rule: 'replacedBeforeTested',
  // The first new part went in before anything was concluded.
  occasions: ({ blames, readings }) => {
    const first = blames.find(({ step }) => step.type === 'conclude' || repairOf(step.by).consumes)
    if (!first) return []
    const { step, index, piece } = first
    const doubt = readings.findLast((one) => one.index < index)?.context.after.doubt(piece.id) ?? 0
    return [{ step: index, shown: step.type === 'repair' && doubt < found }]
  },
})
