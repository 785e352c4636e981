import { voltsReading, onWorkLamp } from '../example'
import { systemOf } from '../../../circuit'
import { defineHindsight } from '../rule'
import { carries, endsOf, feedBefore, isDropTest, readsVolts, sidesOf, unborne } from '../context'

/** Share of the system's volts from which a reading is taken for full. */
const full = 0.75

export const voltsWithoutLoad = defineHindsight({
  key: 'voltsWithoutLoad',
  procedures: ['fourDrops', 'substitute'],
  weight: 'mistake',
  comparesLoaded: true,
  fires: (context, ahead) => {
    const ends = endsOf(context)
    if (!readsVolts(context) || !ends || isDropTest(context)) return false
    const { predictor, setup, board } = context
    const volts = Math.abs(context.step.reading.value ?? 0)
    if (volts < full * systemOf(predictor.circuit).nominal) return false
    const feeding = ends.some((node) => sidesOf(context, node).has('feed'))
    if (!feeding) return false
    // Does anything flow there, on this board or on a good one?
    const before = feedBefore(context)
    const healthy = predictor.board(undefined, setup.state)
    const flowing = carries(board, before) || (healthy !== undefined && carries(healthy, before))
    return !flowing && unborne(context, ahead).some(({ id }) => before.has(id))
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }],
    wrong: voltsReading('L1a', 'B1−', 'on-unplugged'),
    right: voltsReading('L1a', 'B1−'),
  },
})
