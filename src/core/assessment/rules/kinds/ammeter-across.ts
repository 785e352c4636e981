import { clamp, bridge, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { endsOf, healthyVolts, natureOf, readsVolts, voltsOn } from '../context'

/** Volts between the tips from which an ammeter there is a short. */
const live = 2

export const ammeterAcross = defineRule({
  key: 'ammeterAcross',
  procedures: [],
  weight: 'grave',
  fires: (context) => {
    if (!natureOf(context).shorts || readsVolts(context) || context.setup.place.type === 'gap') return false
    const ends = endsOf(context)
    if (!ends) return false
    return Math.abs(voltsOn(context.board, ...ends)) > live && Math.abs(healthyVolts(context, ...ends)) > live
  },
  example: {
    ...onWorkLamp,
    wrong: bridge('B1p', 'B1n', 1000),
    right: clamp(['W1']),
  },
})
