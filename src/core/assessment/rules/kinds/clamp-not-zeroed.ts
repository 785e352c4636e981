import { clamp, onWorkLamp } from '../example'
import { dcClamp } from '../../../instruments'
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
  example: {
    ...onWorkLamp,
    wrong: clamp(['W4'], dcClamp.zeroOffset),
    right: clamp(['W4']),
    shows:
      'What the core remembers is added to every reading until the clamp is zeroed: much where a drain is looked for.',
  },
})
