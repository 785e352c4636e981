import { defineRule } from '../rule'
import { claims, flows, isDropTest, meantToRun, readsVolts } from '../scene'

export const zeroIsNotPerfect = defineRule({
  key: 'zeroIsNotPerfect',
  title: 'Zero read as perfect',
  weight: 'mistake',
  fires: (scene) =>
    readsVolts(scene) &&
    isDropTest(scene) &&
    meantToRun(scene) &&
    !flows(scene.board) &&
    Math.abs(scene.step.reading.value ?? 1) < 0.005 &&
    claims(scene),
  say: 'Zero volts of drop here meant that no current flowed, not that the piece is perfect.',
  instead: 'Small and not zero is good; zero asks where the current stops.',
})
