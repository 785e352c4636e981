import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { endsOf, isDropTest, piecesBetween, readsVolts, sidesOf, unborne, voltsOn } from '../scene'

/** Volts by which a ground may stand off the battery’s post and still serve as one. */
const off = 0.3

export const badGroundReference = defineHindsight({
  key: 'badGroundReference',
  procedures: ['groundsThree'],
  title: 'A ground reference that is itself bad',
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
  say: 'The black lead stood on a ground that is itself above the battery’s post: the reading hides what the return loses.',
  instead: 'Take the battery’s negative post for black, or measure the return by itself first.',
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('L1a', 'G1e'),
    right: volts('L1a', 'B1−'),
    shows:
      'Against a ground that is itself lifted, the feed looks weak; against the battery’s post it is not.',
  },
})
