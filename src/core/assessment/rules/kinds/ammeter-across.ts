import { clamp, bridge, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { endsOf, healthyVolts, natureOf, readsVolts, voltsOn } from '../scene'

/** Volts between the tips from which an ammeter there is a short. */
const live = 2

export const ammeterAcross = defineRule({
  key: 'ammeterAcross',
  procedures: [],
  title: 'Ammeter across a source',
  weight: 'grave',
  fires: (scene) => {
    if (!natureOf(scene).shorts || readsVolts(scene) || scene.setup.place.type === 'gap') return false
    const ends = endsOf(scene)
    if (!ends) return false
    return Math.abs(voltsOn(scene.board, ...ends)) > live && Math.abs(healthyVolts(scene, ...ends)) > live
  },
  say: 'An ammeter is a piece of wire: across a source it is a short that only its own fuse ends.',
  instead: 'Cut it into the circuit in series, or take a clamp.',
  example: {
    ...onWorkLamp,
    wrong: bridge('B1p', 'B1n', 1000),
    right: clamp(['W1']),
    shows:
      'Across a source an ammeter is a short: its fuse, its leads or the battery pay. Amps are read in series, or by a clamp.',
  },
})
