import { fuseTable, onWorkLamp } from '../example'
import { hasSign } from '../../../attempt'
import { defineHindsight } from '../rule'
import { unborne } from '../scene'

export const fuseTableStretched = defineHindsight({
  key: 'fuseTableStretched',
  procedures: ['drainThree'],
  weight: 'slip',
  fires: (scene, ahead) =>
    ['fuseWarm', 'fuseCoarse'].some((sign) => hasSign(scene.step.reading, sign)) &&
    unborne(scene, ahead).length > 0,
  example: {
    ...onWorkLamp,
    wrong: fuseTable('F1', 'maxi', 40, false),
    right: fuseTable('F1', 'mini', 10, true),
  },
})
