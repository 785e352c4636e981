import type { LimitSet } from '../limit-set'
import { perPiece, weigh } from '../weigh'

export const perPieceSet: LimitSet = {
  id: 'wire-0.2',
  title: 'readings.perPiece.title',
  why: 'readings.perPiece.findsASingleBadJoint',
  judge: (balance, drops) =>
    weigh(
      perPiece(
        drops.filter(({ side }) => side !== 'load'),
        0.2,
      ),
      balance,
    ),
}
