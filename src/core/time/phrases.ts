import { phrases } from '../document'

export const say = phrases('time', {
  lost: 'no equilibrium found on the way',
  restless: 'too many steps: something keeps switching',
})
