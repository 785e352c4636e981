import { defineRepair, isJoint } from './repair'

export const remake = defineRepair({
  key: 'remake',
  title: 'attempt.remake.title',
  about: 'attempt.remake.about',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 8,
})
