import { defineRule } from '../rule'
import { claims, isDropTest, meantToRun, readsVolts } from '../scene'

export const dropWithoutLoad = defineRule({
  key: 'dropWithoutLoad',
  title: 'Drop test with the circuit off',
  weight: 'mistake',
  fires: (scene) => readsVolts(scene) && isDropTest(scene) && !meantToRun(scene) && claims(scene),
  say: 'No current could flow in this state, so a drop of zero is no proof: nothing is lost where nothing flows.',
  instead: 'Switch the load on and measure again.',
})
