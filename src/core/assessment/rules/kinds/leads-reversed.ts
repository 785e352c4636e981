import { volts, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { readsVolts } from '../scene'

export const leadsReversed = defineRule({
  key: 'leadsReversed',
  procedures: [],
  weight: 'note',
  fires: (scene) => readsVolts(scene) && (scene.step.reading.value ?? 0) < -0.005,
  example: {
    ...onWorkLamp,
    wrong: volts('X1b', 'X1a'),
    right: volts('X1a', 'X1b'),
  },
})
