import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const electronic: LimitSet = {
  id: 'electronic',
  title: 'readings.electronic.title',
  why: 'readings.electronic.forModulesAndSensorsWhat',
  duties: ['electronic'],
  ...bySides(() => [0.2, 0.1]),
}
