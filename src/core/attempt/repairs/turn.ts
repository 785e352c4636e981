import { defineRepair } from './repair'

export const turn = defineRepair({
  key: 'turn',
  title: 'attempt.turn.title',
  about: 'attempt.turn.about',
  fits: (segment) => segment.faults.includes('reversed'),
  minutes: 5,
})
