import { voltsReading, onStarting } from '../example'
import { segmentAmps } from '../../../board'
import { defineRule } from '../rule'
import { isComplained } from '../context'

export const crankedInGear = defineRule({
  key: 'crankedInGear',
  procedures: ['noCrank'],
  weight: 'grave',
  fires: (context) => {
    const { board, predictor, step } = context
    const engaged = predictor.circuit.parts.some(({ id }) => {
      const { inGear, positions } = context.definition(id)
      return inGear?.includes(step.arrangement.controls[id] ?? positions?.[0] ?? '')
    })
    if (!engaged || isComplained(context)) return false
    return predictor.circuit.parts.some(({ id }) =>
      context
        .definition(id)
        .segments.some(
          (s) =>
            s.inTime?.type === 'starter' && Math.abs(segmentAmps(board.board, board.point, id, s.key)) > 20,
        ),
    )
  },
  example: {
    ...onStarting,
    wrong: voltsReading('B1+', 'B1−', 'drive'),
    right: voltsReading('B1+', 'B1−'),
  },
})
