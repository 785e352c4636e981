import { clamp, bridge, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { endsOf, healthyVolts, natureOf, readsVolts, voltsOn } from '../scene'

/** Volts between the tips from which an ammeter there is a short. */
const live = 2

export const ammeterAcross = defineRule({
  key: 'ammeterAcross',
  procedures: [],
  weight: 'grave',
  fires: (scene) => {
    if (!natureOf(scene).shorts || readsVolts(scene) || scene.setup.place.type === 'gap') return false
    const ends = endsOf(scene)
    if (!ends) return false
    return Math.abs(voltsOn(scene.board, ...ends)) > live && Math.abs(healthyVolts(scene, ...ends)) > live
  },
  example: {
    ...onWorkLamp,
    wrong: bridge('B1p', 'B1n', 1000),
    right: clamp(['W1']),
  },
})
