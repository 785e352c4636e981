import { phrases } from '../document'

export const say = phrases('solve', {
  unbounded: 'no equilibrium found: a value without bound',
  noPoint: 'no equilibrium found: the parts’ laws meet in no point that was found',
  sources: 'no equilibrium found: two sources that allow no common answer, or a loop of them',
})
