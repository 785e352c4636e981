import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const electronic: LimitSet = {
  id: 'electronic',
  title: '0.2 V feed, 0.1 V return',
  why: 'For modules and sensors: what their ground is lifted by is in every signal.',
  ...bySides(() => [0.2, 0.1]),
}
