import { volts, beep, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { natureOf, unborne } from '../scene'

export const coldOhmsTrusted = defineHindsight({
  key: 'coldOhmsTrusted',
  procedures: ['highResistance'],
  weight: 'slip',
  fires: (scene, ahead) =>
    natureOf(scene).needsDead === true && !scene.live && unborne(scene, ahead).length > 0,
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'strandsLost', part: 'W4', segment: 'copper', severity: 97 }],
    wrong: beep('X1b', 'L1a', 'strap-off'),
    right: volts('X1b', 'L1a'),
  },
})
