import { hasSign } from '../../../attempt'
import { defineRule } from '../rule'
import { unborne } from '../scene'

export const fuseTableStretched = defineRule({
  key: 'fuseTableStretched',
  title: 'A fuse table stretched',
  weight: 'slip',
  fires: (scene) =>
    ['fuseWarm', 'fuseCoarse'].some((sign) => hasSign(scene.step.reading, sign)) && unborne(scene).length > 0,
  say: 'The table holds for a cold fuse of its own body and rating, and for millivolts that the meter can tell.',
  instead: 'Take a clamp, or only ask whether current flows at all.',
})
