import { clamp, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { natureOf } from '../context'

export const clampBlind = defineRule({
  key: 'clampBlind',
  procedures: ['drainThree'],
  weight: 'mistake',
  fires: (context) => natureOf(context).blind === true,
  example: {
    ...onWorkLamp,
    wrong: clamp(['W4'], 0, false),
    right: clamp(['W4']),
  },
})
