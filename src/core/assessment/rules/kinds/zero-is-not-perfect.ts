import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { flows, isDropTest, meantToRun, piecesBetween, readsVolts, unborne } from '../context'

export const zeroIsNotPerfect = defineHindsight({
  key: 'zeroIsNotPerfect',
  procedures: ['fourDrops', 'openByHalves'],
  weight: 'mistake',
  fires: (context, ahead) => {
    if (!readsVolts(context) || !isDropTest(context) || !meantToRun(context) || flows(context.board))
      return false
    if (Math.abs(context.step.reading.value ?? 1) >= 0.005) return false
    const between = piecesBetween(context)
    return unborne(context, ahead).some(({ id }) => between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
    wrong: voltsReading('X1a', 'X1b'),
    right: voltsReading('X2b', 'G1e'),
  },
})
