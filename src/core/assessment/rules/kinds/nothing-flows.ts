import { voltsReading, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { isComplained, isDropTest, meantToCarry, readsVolts } from '../context'

/** Volts up to which a drop shows that nothing flows. */
const zero = 0.005

export const nothingFlows = defineRule({
  key: 'nothingFlows',
  procedures: ['fourDrops'],
  weight: 'note',
  comparesLoaded: true,
  fires: (context) =>
    readsVolts(context) &&
    isDropTest(context) &&
    Math.abs(context.step.reading.value ?? 1) < zero &&
    !meantToCarry(context) &&
    !isComplained(context),
  example: {
    ...onWorkLamp,
    wrong: voltsReading('X1a', 'X1b', 'off'),
    right: voltsReading('X1a', 'X1b'),
  },
})
