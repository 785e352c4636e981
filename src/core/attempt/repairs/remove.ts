import { defineRepair, isJoint } from './repair'

export const remove = defineRepair({
  key: 'remove',
  title: 'attempt.remove.title',
  about: 'attempt.remove.about',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 5,
})
