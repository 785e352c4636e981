import { ohms, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { natureOf } from '../scene'

export const ohmsLive = defineRule({
  key: 'ohmsLive',
  procedures: ['openByHalves'],
  weight: 'mistake',
  fires: (scene) => scene.live && natureOf(scene).needsDead === true,
  example: {
    ...onWorkLamp,
    wrong: ohms('X1a', 'L1b'),
    right: ohms('X1a', 'L1b', 'strap-off'),
  },
})
