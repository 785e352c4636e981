import { voltsReading, onWorkLamp } from '../example'
import { findPieces } from '../../../model'
import { repairOf } from '../../../attempt'
import { defineHindsight } from '../rule'

export const replacedBeforeTested = defineHindsight({
  key: 'replacedBeforeTested',
  procedures: ['fourDrops', 'proof'],
  weight: 'mistake',
  fires: (context, { later }) => {
    const { earlier, step, predictor } = context
    // Told at the last test before the new part went in.
    const upTo = later.findIndex((s) => s.type === 'test')
    const next = later.slice(0, upTo < 0 ? undefined : upTo)
    const repair = next.find((s) => s.type === 'repair' && repairOf(s.by).consumes === true)
    if (repair?.type !== 'repair' || repair.did?.cured) return false
    const [piece] = findPieces(predictor.circuit, repair.piece)
    if (!piece) return false
    const { role, terminals } = context.definition(piece.part)
    if (role !== 'load' && role !== 'control') return false
    const own = new Set(terminals.map((t) => predictor.wiring.nodeOf(piece.part, t.key)))
    return ![...earlier, step].some(
      (s) =>
        s.type === 'test' &&
        s.held.type === 'leads' &&
        [s.held.red, s.held.black].some((name) => own.has(predictor.wiring.find(name)?.node ?? -1)),
    )
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1 }],
    wrong: voltsReading('L1a', 'L1b'),
    right: voltsReading('X2a', 'X2b'),
  },
})
