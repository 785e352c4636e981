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
})
