import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const lightHeavy: LimitSet = {
  id: 'light-heavy',
  title: 'readings.lightHeavy.title',
  why: 'readings.lightHeavy.forStartingAndChargingWhat',
  ...bySides(({ amps }) => (Math.abs(amps) < 20 ? [0.5, 0.5] : [1, 1])),
}
