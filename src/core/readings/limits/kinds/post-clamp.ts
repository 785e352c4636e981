import type { LimitSet } from '../limit-set'
import { perPiece, weigh } from '../weigh'

export const postClamp: LimitSet = {
  id: 'post-clamp',
  title: '0.5 V post to clamp',
  why: 'For starting complaints: it judges the battery’s own joints and nothing else.',
  judge: (balance, drops) =>
    weigh(
      perPiece(
        drops.filter(({ segment }) => segment.startsWith('clamp')),
        0.5,
      ),
      balance,
    ),
}
