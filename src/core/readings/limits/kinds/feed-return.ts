import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const feedReturn: LimitSet = {
  id: 'feed-0.3-return-0.2',
  title: 'readings.feedReturn.title',
  why: 'readings.feedReturn.forLampsAndOtherLight',
  ...bySides(() => [0.3, 0.2]),
}
