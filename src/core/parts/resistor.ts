import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { formatQuantity } from '../quantity'

const notices = {
  cool: { key: 'cool', text: 'cool' },
  hot: { key: 'hot', text: 'hot' },
  smokes: { key: 'smokes', text: 'smokes: over its watts' },
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
  title: 'Resistor',
  letters: 'R',
  quick: { words: ['resistor'], main: ['ohms', 'ratedPower'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'supply end' },
    { key: 'b', suffix: 'b', name: 'far end' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'body', name: 'resistor', segments: ['body'] }],
  // Common practice, no source.
  spread: { ohms: 0.03 },
  parameters: z.object({
    ohms: quantity('Resistance', 'Ω', 0.01, 1e6, 1),
    ratedPower: quantity('Rated watts', 'W', 0.1, 500, 25),
  }),
  segments: [{ key: 'body', name: 'resistor', between: ['a', 'b'], faults: [...passive, 'shortedTurns'] }],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['body'], gap: ['a', 'b'] },
  stamp: ({ ohms }, net) => net.resistor('body', 'a', 'b', ohms, 0.05),
  notice: {
    segment: 'body',
    read: ({ ratedPower }, { watts }) =>
      watts < 0.25 * ratedPower ? notices.cool : watts <= ratedPower ? notices.hot : notices.smokes,
    all: Object.values(notices),
  },
  summary: ({ ohms }) => formatQuantity(ohms, 'Ω'),
})
