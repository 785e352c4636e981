import type { LimitSet } from '../limit-set'
import { bySides } from '../weigh'

export const lightHeavy: LimitSet = {
  id: 'light-heavy',
  title: '0.5 V light, 1.0 V heavy circuits',
  why: 'For starting and charging: what draws 20 A and more is allowed twice as much.',
  ...bySides(({ amps }) => (Math.abs(amps) < 20 ? [0.5, 0.5] : [1, 1])),
}
