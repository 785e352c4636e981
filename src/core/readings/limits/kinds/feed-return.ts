import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const feedReturn: LimitSet = {
  id: 'feed-0.3-return-0.2',
  title: '0.3 V feed, 0.2 V return',
  why: 'For lamps and other light circuits: it judges both sides under load, and is strict where most faults sit, in the return.',
  ...bySides(() => [0.3, 0.2]),
}
