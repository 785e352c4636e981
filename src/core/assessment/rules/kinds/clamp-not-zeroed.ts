import { defineRule } from '../rule'
import { natureOf } from '../scene'

export const clampNotZeroed = defineRule({
  key: 'clampNotZeroed',
  procedures: ['drainThree'],
  title: 'Clamp not zeroed',
  weight: 'slip',
  // Beside many amps its offset is nothing.
  fires: (scene) => natureOf(scene).notZeroed === true && Math.abs(scene.step.reading.value ?? 0) < 2,
  say: 'A clamp that is not zeroed adds its own offset, which is as much as a drain.',
  instead: 'Zero it with empty jaws, where it will be held.',
})
