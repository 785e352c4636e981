import { defineRepair, isJoint } from './repair'

export const terminal = defineRepair({
  key: 'terminal',
  title: 'New terminal',
  about: 'The old terminal out of its housing, a new one in.',
  fits: (segment, part) => isJoint(segment, part) || segment.faults.includes('missingPin'),
  minutes: 10,
})
