import { volts, onWorkLamp } from '../example'
import { defineRule } from '../rule'

export const samePoint = defineRule({
  key: 'samePoint',
  procedures: ['pointByPoint'],
  weight: 'slip',
  fires: ({ setup: { place } }) => place.type === 'leads' && place.red === place.black,
  example: {
    ...onWorkLamp,
    wrong: volts('X1a', 'X1a'),
    right: volts('X1a', 'X1b'),
  },
})
