import { voltsReading, bridge, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { endsOf, natureOf, readsVolts, voltsOn } from '../context'

export const leadsInAmpsJack = defineRule({
  key: 'leadsInAmpsJack',
  procedures: [],
  weight: 'grave',
  fires: (context) => {
    if (!natureOf(context).shorts || !readsVolts(context)) return false
    const ends = endsOf(context)
    return ends !== undefined && Math.abs(voltsOn(context.board, ...ends)) > 2
  },
  example: {
    ...onWorkLamp,
    wrong: bridge('L1a', 'L1b', Infinity),
    right: voltsReading('L1a', 'L1b'),
  },
})
