import { ohms, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { natureOf } from '../context'

export const ohmsLive = defineRule({
  key: 'ohmsLive',
  procedures: ['openByHalves'],
  weight: 'mistake',
  fires: (context) => context.live && natureOf(context).needsDead === true,
  example: {
    ...onWorkLamp,
    wrong: ohms('X1a', 'L1b'),
    right: ohms('X1a', 'L1b', 'strap-off'),
  },
})
