import { say } from '../../../document'
import type { LimitSet } from '../limit-set'
import { sides, weigh } from '../weigh'

export const pump: LimitSet = {
  id: 'pump',
  title: 'readings.pump.title',
  why: 'readings.pump.forMotorsAndPumpsThey',
  duties: ['motor'],
  allows: () => [0.5, 0.5],
  judge: (balance) => {
    const loss = (balance.feedLoss.value ?? 0) + (balance.returnLoss.value ?? 0)
    return weigh([...sides(balance, 0.5, 0.5), { what: say('readings.together'), loss, most: 1 }], balance)
  },
}
