import { volts, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { readsVolts } from '../scene'

export const leadsReversed = defineRule({
  key: 'leadsReversed',
  procedures: [],
  title: 'Leads reversed',
  weight: 'note',
  fires: (scene) => readsVolts(scene) && (scene.step.reading.value ?? 0) < -0.005,
  say: 'The minus sign only says that the red lead was on the lower point; the size is good.',
  instead: 'Nothing to redo: red minus black.',
  example: {
    ...onWorkLamp,
    wrong: volts('X1b', 'X1a'),
    right: volts('X1a', 'X1b'),
    shows: 'The meter shows red less black: reversed leads turn the sign and nothing else.',
  },
})
