import type { LimitSet } from '../limit-set'
import { sides, weigh } from '../weigh'

export const lightHeavy: LimitSet = {
  id: 'light-heavy',
  title: '0.5 V light, 1.0 V heavy circuits',
  why: 'Per side: what draws 20 A and more is allowed twice as much.',
  judge: (balance) => {
    const most = Math.abs(balance.amps) < 20 ? 0.5 : 1
    return weigh(sides(balance, most, most), balance)
  },
}
