import { clamp, onWorkLamp } from '../example'
import { dcClamp } from '../../../instruments'
import { defineRule } from '../rule'
import { natureOf } from '../context'

export const clampNotZeroed = defineRule({
  key: 'clampNotZeroed',
  procedures: ['drainThree'],
  weight: 'slip',
  // Beside many amps its offset is nothing.
  fires: (context) => natureOf(context).notZeroed === true && Math.abs(context.step.reading.value ?? 0) < 2,
  example: {
    ...onWorkLamp,
    wrong: clamp(['W4'], dcClamp.zeroOffset),
    right: clamp(['W4']),
  },
})
