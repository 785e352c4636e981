import { clamp, onWorkLamp } from '../example'
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
  example: {
    ...onWorkLamp,
    wrong: clamp(['W4'], 0, false),
    right: clamp(['W4']),
    shows: 'A transformer clamp sees no direct current, however much flows.',
  },
})
