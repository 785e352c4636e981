import { volts, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { endsOf, piecesBetween, readsVolts, unborne } from '../scene'

export const eyeletForStud = defineHindsight({
  key: 'eyeletForStud',
  procedures: ['noCrank', 'groundsThree'],
  weight: 'slip',
  fires: (scene, ahead) => {
    const ends = endsOf(scene)
    if (!readsVolts(scene) || !ends) return false
    const touched = new Set(
      scene.predictor.wiring.points.filter((p) => ends.includes(p.node)).map((p) => p.part),
    )
    const between = piecesBetween(scene)
    // A joint of the part that a lead stands on, and which is not between the leads, was not measured.
    return unborne(scene, ahead).some(({ id, part }) => touched.has(part) && !between.has(id) && id !== part)
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('L1b', 'G1e'),
    right: volts('L1b', 'G1c'),
  },
})
