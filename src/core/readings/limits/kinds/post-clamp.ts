import type { LimitSet } from '../limit-set'
import { perPiece, weigh } from '../weigh'

export const postClamp: LimitSet = {
  id: 'post-clamp',
  title: 'readings.postClamp.title',
  why: 'readings.postClamp.forStartingComplaintsItJudges',
  duties: ['heavy'],
  someJoints: true,
  judge: (balance, drops) =>
    weigh(
      perPiece(
        drops.filter(({ segment }) => segment.startsWith('clamp')),
        0.5,
      ),
      balance,
    ),
}
