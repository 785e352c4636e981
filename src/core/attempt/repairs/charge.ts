import { defineRepair } from './repair'

export const charge = defineRepair({
  key: 'charge',
  title: 'Charge it',
  about: 'On the charger until it rests at full volts.',
  fits: (segment) => segment.faults.includes('discharged'),
  minutes: 30,
})
