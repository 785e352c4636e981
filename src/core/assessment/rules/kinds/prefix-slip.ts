import { voltsReading, times, onWorkLamp } from '../example'
import { instrumentOf, withConnected } from '../../../instruments'
import { defineRule } from '../rule'

/** A thousand too much or too little, within a third. */
const near = (ratio: number): boolean =>
  [1000, 0.001].some((factor) => ratio > factor * 0.67 && ratio < factor * 1.5)

export const prefixSlip = defineRule({
  key: 'prefixSlip',
  procedures: [],
  weight: 'slip',
  fires: ({ predictor, setup, step }) => {
    if (step.prediction.type !== 'value') return false
    const sound = predictor.board(undefined, setup.state)
    const board = sound && withConnected(sound, setup.also ?? [], predictor.meter)
    if (!board?.ok) return false
    const { value } = instrumentOf(setup.instrument).read({
      solved: board,
      place: setup.place,
      settings: setup.settings,
      meter: predictor.meter,
    })
    return value !== undefined && value !== 0 && near(step.prediction.value / value)
  },
  example: {
    ...onWorkLamp,
    wrong: times(voltsReading('X1a', 'X1b'), 1000, 'written'),
    right: times(voltsReading('X1a', 'X1b'), 1, 'displayed'),
  },
})
