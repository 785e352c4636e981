import { defineRepair, isJoint } from './repair'

export const remake = defineRepair({
  key: 'remake',
  title: 'Clean and remake the joint',
  about: 'Take it apart, bright metal, together again with its torque.',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 8,
})
