import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, meantToCarry, piecesBetween, readsVolts, unborne } from '../context'

export const dropWithoutLoad = defineHindsight({
  key: 'dropWithoutLoad',
  procedures: ['fourDrops'],
  weight: 'mistake',
  comparesLoaded: true,
  fires: (context, ahead) => {
    if (!readsVolts(context) || !isDropTest(context) || meantToCarry(context)) return false
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
