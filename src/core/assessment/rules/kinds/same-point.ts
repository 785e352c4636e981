import { volts, onWorkLamp } from '../example'
import { defineRule } from '../rule'

export const samePoint = defineRule({
  key: 'samePoint',
  procedures: ['pointByPoint'],
  title: 'Both leads on one point',
  weight: 'slip',
  fires: ({ setup: { place } }) => place.type === 'leads' && place.red === place.black,
  say: 'Both leads were on the same point: the meter can only show its own leads.',
  instead: 'Put the leads on the two ends of what is in question.',
  example: {
    ...onWorkLamp,
    wrong: volts('X1a', 'X1a'),
    right: volts('X1a', 'X1b'),
    shows: 'Both leads on one point read nought whatever the circuit does.',
  },
})
