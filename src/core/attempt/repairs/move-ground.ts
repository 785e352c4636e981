import { defineRepair, isGround, isJoint } from './repair'

/** A stud that nothing can be made of any more is left: its eyelet goes to clean metal beside it. */
export const moveGround = defineRepair({
  key: 'moveGround',
  title: 'attempt.moveGround.title',
  about: 'attempt.moveGround.about',
  fits: (segment, part) => isGround(part) && isJoint(segment, part),
  minutes: 15,
})
