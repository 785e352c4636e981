import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { isDropTest, newlyStruck, piecesBetween, readsVolts } from '../scene'

export const sourceReadAsGood = defineHindsight({
  key: 'sourceReadAsGood',
  procedures: ['openByHalves'],
  title: 'Source voltage read as good',
  weight: 'mistake',
  fires: (scene, ahead) => {
    if (!readsVolts(scene) || !isDropTest(scene)) return false
    const nominal = Math.max(...scene.board.point.voltage)
    if (Math.abs(scene.step.reading.value ?? 0) < 0.6 * nominal) return false
    const between = piecesBetween(scene)
    return newlyStruck(scene, ahead).some(({ id }) => between.has(id) && scene.after.doubt(id) > 0)
  },
  say: 'On a drop test the whole source voltage means that nothing passes between the leads, not that all is well.',
  instead: 'Look for the open between the two leads.',
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'X2', segment: 'pin' }],
    wrong: volts('X2a', 'X2b'),
    right: volts('L1b', 'X2a'),
    shows:
      'Source voltage on a drop test stands across the open; a sound piece beside it has next to nothing.',
  },
})
