import type { LimitSet } from '../limit-set'
import { sides, weigh } from '../weigh'

export const feedReturn: LimitSet = {
  id: 'feed-0.3-return-0.2',
  title: '0.3 V feed, 0.2 V return',
  why: 'The default: it judges both sides under load, and is strict where most faults sit, in the return.',
  judge: (balance) => weigh(sides(balance, 0.3, 0.2), balance),
}
