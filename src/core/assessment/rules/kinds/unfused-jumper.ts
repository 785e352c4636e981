import { bridge, onWorkLamp } from '../example'
import { instrumentOf } from '../../../instruments'
import { defineRule } from '../rule'
import { natureOf } from '../context'

export const unfusedJumper = defineRule({
  key: 'unfusedJumper',
  procedures: ['chargingLoss', 'shortWithLamp'],
  weight: 'grave',
  fires: (context) =>
    natureOf(context).unfused === true ||
    context.step.also.some((one) => instrumentOf(one.instrument).nature(one.settings).unfused === true),
  example: {
    ...onWorkLamp,
    wrong: bridge('F1a', 'B1−', Infinity),
    right: bridge('F1a', 'B1−', 10),
  },
})
