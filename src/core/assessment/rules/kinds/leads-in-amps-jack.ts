import { volts, bridge, onWorkLamp } from '../example'
import { defineRule } from '../rule'
import { endsOf, natureOf, readsVolts, voltsOn } from '../scene'

export const leadsInAmpsJack = defineRule({
  key: 'leadsInAmpsJack',
  procedures: [],
  title: 'Leads left in the amps jack',
  weight: 'grave',
  fires: (scene) => {
    if (!natureOf(scene).shorts || !readsVolts(scene)) return false
    const ends = endsOf(scene)
    return ends !== undefined && Math.abs(voltsOn(scene.board, ...ends)) > 2
  },
  say: 'With the lead in the amps jack the voltmeter is a piece of wire across the circuit.',
  instead: 'Lead back into V Ω before every voltage test; check the meter’s fuse.',
  example: {
    ...onWorkLamp,
    wrong: bridge('L1a', 'L1b', Infinity),
    right: volts('L1a', 'L1b'),
    shows:
      'In the amps jack the leads are a wire: across a load they short it, a fuse blows, the circuit’s or the meter’s, and the display says nothing.',
  },
})
