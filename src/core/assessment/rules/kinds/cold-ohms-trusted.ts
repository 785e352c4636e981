import { volts, beep, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { natureOf, unborne } from '../scene'

export const coldOhmsTrusted = defineHindsight({
  key: 'coldOhmsTrusted',
  procedures: ['highResistance'],
  title: 'Trusting continuity or cold ohms',
  weight: 'slip',
  fires: (scene, ahead) =>
    natureOf(scene).needsDead === true && !scene.live && unborne(scene, ahead).length > 0,
  say: 'A milliamp from the meter proves a path, not that the path carries amps.',
  instead: 'Prove it by its drop under its own load.',
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'strandsLost', part: 'W4', segment: 'copper', severity: 97 }],
    wrong: beep('X1b', 'L1a', 'strap-off'),
    right: volts('X1b', 'L1a'),
    shows: 'A wire of a few strands beeps like a sound one; under its load it loses volts.',
  },
})
