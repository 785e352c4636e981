import { clamp, onWorkLamp } from '../example'
import { clampAmps } from '../../../instruments'
import { defineRule } from '../rule'

export const jawsRoundTwo = defineRule({
  key: 'jawsRoundTwo',
  procedures: ['shortWithLamp'],
  title: 'Two wires in the jaws',
  weight: 'slip',
  fires: ({ setup: { place }, step, board }) => {
    if (place.type !== 'jaws' || step.held.type !== 'jaws' || step.held.round.length < 2) return false
    const each = place.conductors.map((one) => clampAmps(board, [one]))
    const sum = Math.abs(each.reduce((all, amps) => all + amps, 0))
    const most = Math.max(...each.map(Math.abs))
    // Beside a wire that carries nothing the other is read as it is.
    return Math.abs(sum - most) > 0.2 * most + 0.02
  },
  say: 'The clamp shows the sum of all that its jaws hold: out and back cancel, one way they add.',
  instead: 'One conductor at a time.',
  example: {
    ...onWorkLamp,
    wrong: clamp(['W1', 'ST1']),
    right: clamp(['W1']),
    shows: 'Feed and return in one pair of jaws take each other away, or add: one conductor at a time.',
  },
})
