import { clampAmps } from '../../../instruments'
import { defineRule } from '../rule'

export const jawsRoundTwo = defineRule({
  key: 'jawsRoundTwo',
  title: 'Two wires in the jaws',
  weight: 'slip',
  fires: ({ setup: { place }, step, board }) => {
    if (place.type !== 'jaws' || step.held.type !== 'jaws' || step.held.round.length < 2) return false
    const each = place.conductors.map((one) => clampAmps(board, [one]))
    const sum = Math.abs(each.reduce((all, amps) => all + amps, 0))
    return each.reduce((all, amps) => all + Math.abs(amps), 0) > 1.2 * sum + 0.05
  },
  say: 'The clamp shows the sum of all that its jaws hold: out and back cancel.',
  instead: 'One conductor at a time.',
})
