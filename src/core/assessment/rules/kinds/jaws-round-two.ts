import { clamp, onWorkLamp } from '../example'
import { clampAmps } from '../../../instruments'
import { defineRule } from '../rule'

export const jawsRoundTwo = defineRule({
  key: 'jawsRoundTwo',
  procedures: ['shortWithLamp'],
  weight: 'slip',
  fires: ({ setup: { place }, step, board }) => {
    if (place.type !== 'jaws' || step.held.type !== 'jaws' || step.held.round.length < 2) return false
    const each = place.conductors.map((one) => clampAmps(board, [one]))
    const sum = Math.abs(each.reduce((all, amps) => all + amps, 0))
    const most = Math.max(...each.map(Math.abs))
    // Beside a wire that carries nothing the other is read as it is.
    return Math.abs(sum - most) > 0.2 * most + 0.02
  },
  example: {
    ...onWorkLamp,
    wrong: clamp(['W1', 'ST1']),
    right: clamp(['W1']),
  },
})
