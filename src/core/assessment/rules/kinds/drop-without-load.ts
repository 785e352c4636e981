import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, meantToRun, piecesBetween, readsVolts, unborne } from '../scene'

export const dropWithoutLoad = defineHindsight({
  key: 'dropWithoutLoad',
  procedures: ['fourDrops'],
  weight: 'mistake',
  fires: (scene, ahead) => {
    if (!readsVolts(scene) || !isDropTest(scene) || meantToRun(scene)) return false
    const between = piecesBetween(scene)
    return unborne(scene, ahead).some(({ id }) => between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }],
    wrong: volts('X1a', 'X1b', 'on-unplugged'),
    right: volts('X1a', 'X1b'),
  },
})
