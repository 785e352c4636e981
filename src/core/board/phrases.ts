import { phrases } from '../document'

export const say = phrases('board', {
  restless: 'no equilibrium found: what switches by itself neither settles nor repeats',
  near: '{why} (near {points})',
})
