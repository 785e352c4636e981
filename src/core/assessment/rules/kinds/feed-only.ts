import { voltsReading, onWorkLamp } from '../example'
import { findPieces } from '../../../model'
import { defineHindsight } from '../rule'
import { readsVolts, sidesOf } from '../context'

export const feedOnly = defineHindsight({
  key: 'feedOnly',
  procedures: ['fourDrops'],
  weight: 'slip',
  fires: (context, { later }) => {
    const { earlier, step, predictor } = context
    // The last test before a conclusion that blames a load.
    const [next, after] = later.filter((s) => s.type !== 'infer')
    if (next?.type !== 'conclude' || after?.type === 'test') return false
    const [piece] = findPieces(predictor.circuit, next.piece)
    // Where the readings bear it, the loss was found in the feed.
    if (!piece || context.after.doubt(next.piece) >= context.thresholds.proven) return false
    if (context.definition(piece.part).role !== 'load' || !readsVolts(context)) return false
    const { wiring } = predictor
    return [...earlier, step].every((s) => {
      if (s.type !== 'test' || s.held.type !== 'leads') return true
      return [s.held.red, s.held.black].every((name) => {
        const node = wiring.find(name)?.node ?? 0
        return node === 0 || !sidesOf(context, node).has('return')
      })
    })
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: voltsReading('B1+', 'L1a'),
    right: voltsReading('L1b', 'B1−'),
  },
})
