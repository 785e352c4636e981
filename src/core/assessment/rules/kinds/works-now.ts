import { voltsReading, onWorkLamp } from '../example'
import { stateSignature } from '../../../circuit'
import { stateOf, still } from '../../../attempt'
import { defineHindsight } from '../rule'

export const worksNow = defineHindsight({
  key: 'worksNow',
  procedures: ['intermittent', 'proof'],
  weight: 'mistake',
  fires: ({ bench, step, order, board }, { later }) => {
    // A connector was disturbed, the complaint went, and nobody looked further.
    const disturbed = bench.reseated.length > 0 || bench.out.length > step.arrangement.detached.length
    const last = !later.some((s) => s.type === 'test')
    if (!disturbed || !last || later.some((s) => s.type === 'repair' && s.did?.cured)) return false
    const { complaint } = order.frame
    const gone = complaint.every(
      ({ arrangement }) =>
        stateSignature(order.circuit, stateOf(still(arrangement))) ===
        stateSignature(order.circuit, stateOf(still(step.arrangement))),
    )
    return gone && !board.board.faults.length && order.planted.length > 0 && bench.repairs.length === 0
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'slack', part: 'X1', segment: 'pin', severity: 5 }],
    wrong: voltsReading('X1a', 'X1b'),
    right: { ...voltsReading('X1a', 'X1b'), wiggled: ['X1'] },
  },
})
