import { say } from '../../phrases'
import type { LimitSet } from '../limit-set'
import { sides, weigh } from '../weigh'

export const pump: LimitSet = {
  id: 'pump',
  title: '0.5 V per side, 1.0 V in all',
  why: 'For motors and pumps: they live with a little less than a lamp.',
  allows: () => [0.5, 0.5],
  judge: (balance) => {
    const loss = (balance.feedLoss.value ?? 0) + (balance.returnLoss.value ?? 0)
    return weigh([...sides(balance, 0.5, 0.5), { what: say('together'), loss, most: 1 }], balance)
  },
}
