import { voltsReading, onWorkLamp } from '../example'
import { faultOfKind } from '../../../faults'
import { defineHindsight, type TestContext } from '../rule'
import { endsOf, piecesBetween, readsVolts, unborne } from '../context'

export const eyeletForStud = defineHindsight({
  key: 'eyeletForStud',
  procedures: ['noCrank', 'groundsThree'],
  weight: 'slip',
  fires: (context, ahead) => {
    const ends = endsOf(context)
    if (!readsVolts(context) || !ends) return false
    const touched = new Set(
      context.predictor.wiring.points.filter((p) => ends.includes(p.node)).map((p) => p.part),
    )
    const between = piecesBetween(context)
    // A joint of the part that a lead stands on, and which is not between the leads, was not measured.
    return unborne(context, ahead).some(
      ({ id, part }) => touched.has(part) && !between.has(id) && id !== part && mayLoseVolts(context, id),
    )
  },
  example: {
    ...onWorkLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: voltsReading('L1b', 'G1e'),
    right: voltsReading('L1b', 'G1c'),
  },
})

/** A bad joint is still possible there, and not only something that draws from it. */
const mayLoseVolts = ({ after }: TestContext, piece: string): boolean =>
  after
    .striking(piece)
    .some(
      ({ hypothesis: { fault } }) =>
        fault && ['resistance', 'opens'].includes(faultOfKind(fault.kind).family),
    )
