import { volts, onWorkLamp } from '../example'
import { findPieces } from '../../../model'
import { defineHindsight } from '../rule'
import { readsVolts, sidesOf } from '../scene'

export const feedOnly = defineHindsight({
  key: 'feedOnly',
  procedures: ['fourDrops'],
  weight: 'slip',
  fires: (scene, { later }) => {
    const { earlier, step, predictor } = scene
    // The last test before a conclusion that blames a load.
    const [next, after] = later.filter((s) => s.type !== 'infer')
    if (next?.type !== 'conclude' || after?.type === 'test') return false
    const [piece] = findPieces(predictor.circuit, next.piece)
    if (!piece || scene.definition(piece.part).role !== 'load' || !readsVolts(scene)) return false
    const { wiring } = predictor
    return [...earlier, step].every((s) => {
      if (s.type !== 'test' || s.held.type !== 'leads') return true
      return [s.held.red, s.held.black].every((name) => {
        const node = wiring.find(name)?.node ?? 0
        return node === 0 || !sidesOf(scene, node).has('return')
      })
    })
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('B1+', 'L1a'),
    right: volts('L1b', 'B1−'),
  },
})
