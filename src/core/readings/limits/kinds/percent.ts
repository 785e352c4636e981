import type { LimitSet } from '../limit-set'
import { sides, weigh } from '../weigh'

export const percent: LimitSet = {
  id: 'three-percent',
  title: '3 % of the source per side',
  why: 'Scales with the system: fits 24 V as well as 12 V.',
  judge: (balance) => weigh(sides(balance, 0.03 * balance.source, 0.03 * balance.source), balance),
}
