import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { endsOf, isDropTest, piecesBetween, readsVolts, sidesOf, unborne, voltsOn } from '../scene'

/** Volts by which a ground may stand off the battery’s post and still serve as one. */
const off = 0.3

export const badGroundReference = defineHindsight({
  key: 'badGroundReference',
  procedures: ['groundsThree'],
  weight: 'slip',
  fires: (scene, ahead) => {
    const ends = endsOf(scene)
    if (!readsVolts(scene) || !ends || isDropTest(scene)) return false
    const [red, black] = ends
    if (black === 0 || Math.abs(voltsOn(scene.board, black, 0)) < off) return false
    if (!sidesOf(scene, black).has('return') || !sidesOf(scene, red).has('feed')) return false
    // Across the load itself both sides are asked for, and both are in the reading.
    const between = piecesBetween(scene)
    return unborne(scene, ahead).some(({ id }) => !between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('L1a', 'G1e'),
    right: volts('L1a', 'B1−'),
  },
})
