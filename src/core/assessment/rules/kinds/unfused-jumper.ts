import { bridge, onWorkLamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'
import { natureOf } from '../scene'

export const unfusedJumper = defineRule({
  key: 'unfusedJumper',
  procedures: ['chargingLoss', 'shortWithLamp'],
  title: 'A jumper without a fuse',
  weight: 'grave',
  fires: (scene) =>
    natureOf(scene).unfused === true ||
    scene.step.also.some((one) => instrumentOf(one.instrument).nature(one.settings).unfused === true),
  say: 'A jumper without a fuse burns hands and harness at the first slip.',
  instead: 'Fuse every jumper like the circuit that it feeds.',
  example: {
    ...onWorkLamp,
    wrong: bridge('F1a', 'B1−', Infinity),
    right: bridge('F1a', 'B1−', 10),
    shows:
      'On a wrong point an unfused jumper carries hundreds of amps; a fused one carries none, its fuse is gone.',
  },
})
