import { volts, onStarting } from '../example'
import { segmentAmps } from '../../../board'
import { defineRule } from '../rule'
import { isComplained } from '../scene'

export const crankedInGear = defineRule({
  key: 'crankedInGear',
  procedures: ['noCrank'],
  title: 'Cranking in gear',
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
  say: 'The engine was cranked with a gear engaged: the vehicle moves.',
  instead: 'Park or neutral, parking brake on, ignition disabled; then crank.',
  example: {
    ...onStarting,
    wrong: volts('B1+', 'B1−', 'drive'),
    right: volts('B1+', 'B1−'),
    shows: 'In gear the inhibitor keeps the starter out, or the vehicle moves: park or neutral, brake on.',
  },
})
