import { defineRepair, isJoint, isWire } from './repair'

export const solder = defineRepair({
  key: 'solder',
  title: 'attempt.solder.title',
  about: 'attempt.solder.about',
  fits: (segment, part) => isWire(segment, part) || isJoint(segment, part),
  minutes: 12,
})
