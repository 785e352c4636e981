import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const flat: LimitSet = {
  id: 'flat-0.3',
  title: 'readings.flat.title',
  why: 'readings.flat.oneFigureToRememberFor',
  ...bySides(() => [0.3, 0.3]),
}
