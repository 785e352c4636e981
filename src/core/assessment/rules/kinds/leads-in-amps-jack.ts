import { volts, bridge, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { endsOf, natureOf, readsVolts, voltsOn } from '../scene'

export const leadsInAmpsJack = defineRule({
  key: 'leadsInAmpsJack',
  procedures: [],
  weight: 'grave',
  fires: (scene) => {
    if (!natureOf(scene).shorts || !readsVolts(scene)) return false
    const ends = endsOf(scene)
    return ends !== undefined && Math.abs(voltsOn(scene.board, ...ends)) > 2
  },
  example: {
    ...onWorkLamp,
    wrong: bridge('L1a', 'L1b', Infinity),
    right: volts('L1a', 'L1b'),
  },
})
