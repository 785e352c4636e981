import { lamp, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { mostAmps, natureOf, unborne } from '../scene'

export const lampTooLight = defineHindsight({
  key: 'lampTooLight',
  procedures: ['substitute', 'openByHalves'],
  title: 'A test lamp too light for the circuit',
  weight: 'slip',
  fires: (scene, ahead) => {
    const { carries, draws, underLoad } = natureOf(scene)
    if (!carries || draws === 0 || underLoad) return false
    const { word } = scene.step.reading
    return word !== 'dark' && mostAmps(scene) > 4 * draws && unborne(scene, ahead).length > 0
  },
  say: 'It lights on a fraction of what the circuit’s own load draws: a joint that lights it may not carry the load.',
  instead: 'Take a lamp or a load of the circuit’s own size, for three to five seconds.',
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 6 }],
    wrong: lamp('L1a', 'B1−', 0.25),
    right: lamp('L1a', 'B1−', 5),
    shows: 'A light lamp shines through a joint that could never carry the circuit’s own load.',
  },
})
