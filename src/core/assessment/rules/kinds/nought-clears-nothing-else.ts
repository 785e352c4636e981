import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import {
  carries,
  isDropTest,
  meantToCarry,
  newlyStruck,
  piecesBetween,
  readsVolts,
  unborne,
} from '../context'

/** Volts up to which a drop shows that nothing flows. */
const zero = 0.02

/**
 * With one fault on the board a drop of zero clears what lies between the leads of being that fault. It does not say that
 * the piece is good: nothing has flowed through it yet.
 */
export const noughtClearsNothingElse = defineHindsight({
  key: 'noughtClearsNothingElse',
  procedures: ['fourDrops', 'openByHalves'],
  weight: 'note',
  fires: (context, ahead) => {
    if (!readsVolts(context) || !isDropTest(context) || !meantToCarry(context)) return false
    if (Math.abs(context.step.reading.value ?? 1) >= zero) return false
    const between = piecesBetween(context)
    if (carries(context.board, between)) return false
    const struck = (list: readonly { readonly id: string }[]) => list.some(({ id }) => between.has(id))
    return struck(newlyStruck(context, ahead)) && !struck(unborne(context, ahead))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
    wrong: voltsReading('X1a', 'X1b'),
    right: voltsReading('X2b', 'G1e'),
  },
})
