import { lamp, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { mostAmps, natureOf, unborne } from '../context'

export const lampTooLight = defineHindsight({
  key: 'lampTooLight',
  procedures: ['substitute', 'openByHalves'],
  weight: 'slip',
  fires: (context, ahead) => {
    const { carries, draws, underLoad } = natureOf(context)
    if (!carries || draws === 0 || underLoad) return false
    const { word } = context.step.reading
    return word !== 'dark' && mostAmps(context) > 4 * draws && unborne(context, ahead).length > 0
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 6 }],
    wrong: lamp('L1a', 'B1−', 0.25),
    right: lamp('L1a', 'B1−', 5),
  },
})
