import { defineRepair, isJoint } from './repair'

export const recrimp = defineRepair({
  key: 'recrimp',
  title: 'Re-crimp',
  about: 'A new terminal crimped on, sealed with sleeve.',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 10,
})
