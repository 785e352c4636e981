import { defineRepair, isJoint } from './repair'

export const remove = defineRepair({
  key: 'remove',
  title: 'Take the hidden load out',
  about: 'What does not belong there comes off.',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 5,
})
