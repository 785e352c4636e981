import { ohms, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { natureOf } from '../scene'

export const ohmsLive = defineRule({
  key: 'ohmsLive',
  procedures: ['openByHalves'],
  title: 'Ohms on a live circuit',
  weight: 'mistake',
  fires: (scene) => scene.live && natureOf(scene).needsDead === true,
  say: 'The circuit was live between the leads, so the meter’s own current was swamped and the number means nothing.',
  instead: 'Lift the battery strap or unplug the piece before ohms.',
  example: {
    ...onWorkLamp,
    wrong: ohms('X1a', 'L1b'),
    right: ohms('X1a', 'L1b', 'strap-off'),
    shows: 'On a live circuit the ohmmeter shows the circuit’s volts as ohms.',
  },
})
