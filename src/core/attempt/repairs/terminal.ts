import { defineRepair, isJoint } from './repair'

export const terminal = defineRepair({
  key: 'terminal',
  title: 'attempt.terminal.title',
  about: 'attempt.terminal.about',
  fits: (segment, part) => isJoint(segment, part) || segment.faults.includes('missingPin'),
  minutes: 10,
})
