import { defineRepair } from './repair'

export const repin = defineRepair({
  key: 'repin',
  title: 'Put the pins in their own cavities',
  about: 'Two terminals out of the housing and back where the plan has them.',
  fits: (segment) => segment.faults.includes('swapped'),
  minutes: 12,
})
