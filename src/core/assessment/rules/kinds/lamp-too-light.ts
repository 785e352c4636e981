import { lamp, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { mostAmps, natureOf, unborne } from '../scene'

export const lampTooLight = defineHindsight({
  key: 'lampTooLight',
  procedures: ['substitute', 'openByHalves'],
  weight: 'slip',
  fires: (scene, ahead) => {
    const { carries, draws, underLoad } = natureOf(scene)
    if (!carries || draws === 0 || underLoad) return false
    const { word } = scene.step.reading
    return word !== 'dark' && mostAmps(scene) > 4 * draws && unborne(scene, ahead).length > 0
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 6 }],
    wrong: lamp('L1a', 'B1−', 0.25),
    right: lamp('L1a', 'B1−', 5),
  },
})
