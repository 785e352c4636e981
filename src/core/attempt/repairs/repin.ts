import { defineRepair } from './repair'

export const repin = defineRepair({
  key: 'repin',
  title: 'attempt.repin.title',
  about: 'attempt.repin.about',
  fits: (segment) => segment.faults.includes('swapped'),
  minutes: 12,
})
