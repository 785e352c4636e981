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
})
