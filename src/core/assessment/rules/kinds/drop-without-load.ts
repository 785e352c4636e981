import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, meantToRun, piecesBetween, readsVolts, unborne } from '../context'

export const dropWithoutLoad = defineHindsight({
  key: 'dropWithoutLoad',
  procedures: ['fourDrops'],
  weight: 'mistake',
  fires: (context, ahead) => {
    if (!readsVolts(context) || !isDropTest(context) || meantToRun(context)) return false
    const between = piecesBetween(context)
    return unborne(context, ahead).some(({ id }) => between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }],
    wrong: voltsReading('X1a', 'X1b', 'on-unplugged'),
    right: voltsReading('X1a', 'X1b'),
  },
})
