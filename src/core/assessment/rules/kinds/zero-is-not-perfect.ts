import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { carries, isDropTest, meantToCarry, piecesBetween, readsVolts, unborne } from '../context'

export const zeroIsNotPerfect = defineHindsight({
  key: 'zeroIsNotPerfect',
  procedures: ['fourDrops', 'openByHalves'],
  weight: 'mistake',
  fires: (context, ahead) => {
    if (!readsVolts(context) || !isDropTest(context) || !meantToCarry(context)) return false
    if (Math.abs(context.step.reading.value ?? 1) >= 0.02) return false
    const between = piecesBetween(context)
    if (carries(context.board, between)) return false
    return unborne(context, ahead).some(({ id }) => between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
    wrong: voltsReading('X1a', 'X1b'),
    right: voltsReading('X2b', 'G1e'),
  },
})
