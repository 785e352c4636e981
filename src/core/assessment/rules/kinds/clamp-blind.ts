import { defineRule } from '../rule'
import { natureOf } from '../scene'

export const clampBlind = defineRule({
  key: 'clampBlind',
  procedures: ['drainThree'],
  title: 'A clamp for alternating current',
  weight: 'mistake',
  fires: (scene) => natureOf(scene).blind === true,
  say: 'It is a transformer: direct current gives it nothing, so nought means nothing.',
  instead: 'Take a clamp that reads DC.',
})
