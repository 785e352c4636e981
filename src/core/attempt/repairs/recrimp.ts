import { defineRepair, isJoint } from './repair'

export const recrimp = defineRepair({
  key: 'recrimp',
  title: 'attempt.recrimp.title',
  about: 'attempt.recrimp.about',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 10,
})
