import { defineRepair } from './repair'

export const turn = defineRepair({
  key: 'turn',
  title: 'Connect it the right way round',
  about: 'Its two wires change places.',
  fits: (segment) => segment.faults.includes('reversed'),
  minutes: 5,
})
