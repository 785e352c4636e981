import { volts, onStarting } from '../example'
import { segmentAmps } from '../../../board'
import { defineRule } from '../rule'
import { isComplained } from '../scene'

export const crankedInGear = defineRule({
  key: 'crankedInGear',
  procedures: ['noCrank'],
  weight: 'grave',
  fires: (scene) => {
    const { board, predictor, step } = scene
    const engaged = predictor.circuit.parts.some(({ id }) => {
      const { inGear, positions } = scene.definition(id)
      return inGear?.includes(step.arrangement.controls[id] ?? positions?.[0] ?? '')
    })
    if (!engaged || isComplained(scene)) return false
    return predictor.circuit.parts.some(({ id }) =>
      scene
        .definition(id)
        .segments.some(
          (s) =>
            s.inTime?.type === 'starter' && Math.abs(segmentAmps(board.board, board.point, id, s.key)) > 20,
        ),
    )
  },
  example: {
    ...onStarting,
    wrong: volts('B1+', 'B1−', 'drive'),
    right: volts('B1+', 'B1−'),
  },
})
