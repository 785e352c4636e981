import { defineRepair } from './repair'

export const charge = defineRepair({
  key: 'charge',
  title: 'attempt.charge.title',
  about: 'attempt.charge.about',
  fits: (segment) => segment.faults.includes('discharged'),
  minutes: 30,
})
