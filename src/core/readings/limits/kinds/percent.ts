import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const percent: LimitSet = {
  id: 'three-percent',
  title: 'readings.percent.title',
  why: 'readings.percent.scalesWithTheSystemFits',
  ...bySides(({ supply }) => [0.03 * supply, 0.03 * supply]),
}
