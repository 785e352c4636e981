import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, newlyStruck, piecesBetween, readsVolts } from '../scene'

export const sourceReadAsGood = defineHindsight({
  key: 'sourceReadAsGood',
  procedures: ['openByHalves'],
  weight: 'mistake',
  fires: (scene, ahead) => {
    if (!readsVolts(scene) || !isDropTest(scene)) return false
    const nominal = Math.max(...scene.board.point.voltage)
    if (Math.abs(scene.step.reading.value ?? 0) < 0.6 * nominal) return false
    const between = piecesBetween(scene)
    return newlyStruck(scene, ahead).some(({ id }) => between.has(id) && scene.after.doubt(id) > 0)
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'X2', segment: 'pin' }],
    wrong: volts('X2a', 'X2b'),
    right: volts('L1b', 'X2a'),
  },
})
