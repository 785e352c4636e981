import { feedBefore, isDropTest, piecesBetween } from '../../../assessment'
import { partOf, piecesOf } from '../../../model'
import { partOfKind } from '../../../parts'
import { defineMisbelief, usual } from '../misbelief'

/** The coil is heard; whether the contact carries is not. */
export const clickIsContact = defineMisbelief({
  key: 'clickIsContact',
  chances: usual,
  drills: ['clears', 'whichSide'],
  rule: 'voltsWithoutLoad',
  occasions: ({ order: { circuit }, steps, readings }) => {
    const contacts = piecesOf(circuit).filter(({ part, unit }) => {
      const { modes, notice } = partOfKind(partOf(circuit, part).kind)
      return modes && notice?.all.some(({ pulled }) => pulled) && !unit.segments.includes(notice.segment)
    })
    const heard = steps.findIndex(
      (step) => step.type === 'operate' && contacts.some(({ part }) => step.seen[part] === 'clicks'),
    )
    if (heard < 0) return []
    let struck: ReadonlySet<string> = new Set()
    return steps.flatMap((step, index) => {
      if (step.type !== 'infer') return []
      const before = struck
      struck = new Set(step.struck)
      const last = readings.findLast((one) => one.index < index)
      const doubted = contacts.filter(
        ({ id, part }) =>
          !before.has(id) &&
          !before.has(part) &&
          last !== undefined &&
          last.context.after.doubt(id) > last.context.thresholds.follows &&
          // Whoever takes a reading up to it for its proof holds something else.
          !feedBefore(last.context).has(id) &&
          !readings.some(
            (one) => one.index < index && isDropTest(one.context) && piecesBetween(one.context).has(id),
          ),
      )
      if (index < heard || !doubted.length) return []
      return [{ step: index, shown: doubted.some(({ id, part }) => struck.has(id) || struck.has(part)) }]
    })
  },
})
