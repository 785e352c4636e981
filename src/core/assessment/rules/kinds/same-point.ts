import { voltsReading, onWorkLamp } from '../example'
import { defineRule } from '../rule'

export const samePoint = defineRule({
  key: 'samePoint',
  procedures: ['pointByPoint'],
  weight: 'slip',
  fires: ({ setup: { place } }) => place.type === 'leads' && place.red === place.black,
  example: {
    ...onWorkLamp,
    wrong: voltsReading('X1a', 'X1a'),
    right: voltsReading('X1a', 'X1b'),
  },
})
