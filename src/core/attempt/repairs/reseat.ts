import { defineRepair, isJoint } from './repair'

export const reseat = defineRepair({
  key: 'reseat',
  title: 'attempt.reseat.title',
  about: 'attempt.reseat.about',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 2,
  reseats: true,
})
