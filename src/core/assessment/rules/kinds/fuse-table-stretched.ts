import { fuseTable, onWorkLamp } from '../example'
import { hasSign } from '../../../attempt'
import { defineHindsight } from '../rule'
import { unborne } from '../scene'

export const fuseTableStretched = defineHindsight({
  key: 'fuseTableStretched',
  procedures: ['drainThree'],
  title: 'A fuse table stretched',
  weight: 'slip',
  fires: (scene, ahead) =>
    ['fuseWarm', 'fuseCoarse'].some((sign) => hasSign(scene.step.reading, sign)) &&
    unborne(scene, ahead).length > 0,
  say: 'The table holds for a cold fuse of its own body and rating, and for millivolts that the meter can tell.',
  instead: 'Take a clamp, or only ask whether current flows at all.',
  example: {
    ...onWorkLamp,
    wrong: fuseTable('F1', 'maxi', 40, false),
    right: fuseTable('F1', 'mini', 10, true),
    shows:
      'Millivolts become amps only by the table of the fuse’s own type and rating, and within its range.',
  },
})
