import { voltsReading, onWorkLamp } from '../example'
import { defineHindsight } from '../rule'
import { endsOf, isDropTest, piecesBetween, readsVolts, sidesOf, unborne, voltsOn } from '../context'

/** Volts by which a ground may stand off the battery’s post and still serve as one. */
const off = 0.3

export const badGroundReference = defineHindsight({
  key: 'badGroundReference',
  procedures: ['groundsThree'],
  weight: 'slip',
  fires: (context, ahead) => {
    const ends = endsOf(context)
    if (!readsVolts(context) || !ends || isDropTest(context)) return false
    const [red, black] = ends
    if (black === 0 || Math.abs(voltsOn(context.board, black, 0)) < off) return false
    if (!sidesOf(context, black).has('return') || !sidesOf(context, red).has('feed')) return false
    // Across the load itself both sides are asked for, and both are in the reading.
    const between = piecesBetween(context)
    return unborne(context, ahead).some(({ id }) => !between.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: voltsReading('L1a', 'G1e'),
    right: voltsReading('L1a', 'B1−'),
  },
})
