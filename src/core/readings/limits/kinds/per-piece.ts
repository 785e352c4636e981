import type { LimitSet } from '../limit-set'
import { perPiece, weigh } from '../weigh'

export const perPieceSet: LimitSet = {
  id: 'wire-0.2',
  title: '0.2 V per piece',
  why: 'Finds a single bad joint even where the whole side still passes.',
  judge: (balance, drops) =>
    weigh(
      perPiece(
        drops.filter(({ side }) => side !== 'load'),
        0.2,
      ),
      balance,
    ),
}
