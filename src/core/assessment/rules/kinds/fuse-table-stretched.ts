import { fuseTable, onWorkLamp } from '../example'
import { hasSign } from '../../../attempt'
import { defineHindsight } from '../rule'
import { unborne } from '../context'

export const fuseTableStretched = defineHindsight({
  key: 'fuseTableStretched',
  procedures: ['drainThree'],
  weight: 'slip',
  fires: (context, ahead) =>
    ['fuseWarm', 'fuseCoarse'].some((sign) => hasSign(context.step.reading, sign)) &&
    unborne(context, ahead).length > 0,
  example: {
    ...onWorkLamp,
    wrong: fuseTable('F1', 'maxi', 40, false),
    right: fuseTable('F1', 'mini', 10, true),
  },
})
