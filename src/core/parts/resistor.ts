import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { formatQuantity } from '../quantity'

const notices = {
  cool: { key: 'cool', text: 'parts.resistor.cool' },
  hot: { key: 'hot', text: 'parts.resistor.hot' },
  smokes: { key: 'smokes', text: 'parts.resistor.smokesOverItsWatts' },
} as const satisfies Record<string, Notice>

/** Resistor, such as one step of a blower's; hot at a quarter of its watts, over them it burns (common practice, no source). */
export const resistor = definePart({
  kind: 'resistor',
  seeAlso: ['resistors', 'parallel', 'ohm'],
  symbol: 'resistor',
  access: 'cover',
  takesCurrent: true,
  steps: ['body'],
  ratedWatts: 'ratedPower',
  title: 'parts.resistor.title',
  letters: 'R',
  quick: { words: ['resistor'], main: ['ohms', 'ratedPower'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.supplyEnd' },
    { key: 'b', suffix: 'b', name: 'parts.farEnd' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'body', name: 'parts.resistor.resistor', segments: ['body'] }],
  // Common practice, no source.
  spread: { ohms: 0.03 },
  parameters: z.object({
    ohms: quantity('parts.resistance', 'Ω', 0.01, 1e6, 1),
    ratedPower: quantity('parts.ratedWatts', 'W', 0.1, 500, 25),
  }),
  segments: [
    {
      key: 'body',
      name: 'parts.resistor.resistor',
      between: ['a', 'b'],
      faults: [...passive, 'shortedTurns'],
    },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.unplugged',
    opens: ['body'],
    gap: ['a', 'b'],
    comesOut: { segments: ['body'] },
  },
  stamp: ({ ohms }, net) => net.resistor('body', 'a', 'b', ohms, 0.05),
  notice: {
    segment: 'body',
    read: ({ ratedPower }, { watts }) =>
      watts < 0.25 * ratedPower ? notices.cool : watts <= ratedPower ? notices.hot : notices.smokes,
    all: Object.values(notices),
  },
  summary: ({ ohms }) => figures(formatQuantity(ohms, 'Ω')),
})
