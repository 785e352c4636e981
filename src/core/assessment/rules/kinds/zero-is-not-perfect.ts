import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { flows, isDropTest, meantToRun, piecesBetween, readsVolts, unborne } from '../scene'

export const zeroIsNotPerfect = defineHindsight({
  key: 'zeroIsNotPerfect',
  procedures: ['fourDrops', 'openByHalves'],
  weight: 'mistake',
  fires: (scene, ahead) => {
    if (!readsVolts(scene) || !isDropTest(scene) || !meantToRun(scene) || flows(scene.board)) return false
    if (Math.abs(scene.step.reading.value ?? 1) >= 0.005) return false
    const between = piecesBetween(scene)
    return unborne(scene, ahead).some(({ id }) => between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
    wrong: volts('X1a', 'X1b'),
    right: volts('X2b', 'G1e'),
  },
})
