import { voltsReading, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { readsVolts } from '../context'

export const leadsReversed = defineRule({
  key: 'leadsReversed',
  procedures: [],
  weight: 'note',
  fires: (context) => readsVolts(context) && (context.step.reading.value ?? 0) < -0.005,
  example: {
    ...onWorkLamp,
    wrong: voltsReading('X1b', 'X1a'),
    right: voltsReading('X1a', 'X1b'),
  },
})
