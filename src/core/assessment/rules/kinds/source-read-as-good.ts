import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, newlyStruck, piecesBetween, readsVolts } from '../context'

export const sourceReadAsGood = defineHindsight({
  key: 'sourceReadAsGood',
  procedures: ['openByHalves'],
  weight: 'mistake',
  fires: (context, ahead) => {
    if (!readsVolts(context) || !isDropTest(context)) return false
    const nominal = Math.max(...context.board.point.voltage)
    if (Math.abs(context.step.reading.value ?? 0) < 0.6 * nominal) return false
    const between = piecesBetween(context)
    return newlyStruck(context, ahead).some(({ id }) => between.has(id) && context.after.doubt(id) > 0)
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'X2', segment: 'pin' }],
    wrong: voltsReading('X2a', 'X2b'),
    right: voltsReading('L1b', 'X2a'),
  },
})
