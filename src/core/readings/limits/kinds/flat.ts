import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const flat: LimitSet = {
  id: 'flat-0.3',
  title: '0.3 V each side',
  why: 'One figure to remember for either side.',
  ...bySides(() => [0.3, 0.3]),
}
