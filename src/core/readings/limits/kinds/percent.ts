import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const percent: LimitSet = {
  id: 'three-percent',
  title: '3 % of the battery’s volts per side',
  why: 'Scales with the system: fits 24 V as well as 12 V.',
  ...bySides(({ supply }) => [0.03 * supply, 0.03 * supply]),
}
