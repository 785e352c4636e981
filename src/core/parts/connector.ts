import { z } from 'zod'
import { definePart, passive, quantity } from './definition'

/** One circuit through an inline connector; both halves are back-probed. */
export const connector = definePart({
  kind: 'connector',
  seeAlso: ['terminalCare', 'intermittent', 'pointByPoint'],
  symbol: 'connector',
  access: 'cover',
  pinout: 'all',
  title: 'Inline connector',
  letters: 'X',
  quick: { words: ['connector', 'plug'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'supply-side half' },
    { key: 'b', suffix: 'b', name: 'far half' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'pin', name: 'pin', segments: ['pin'] }],
  // Common practice, no source.
  spread: { pinOhms: 0.6 },
  parameters: z.object({ pinOhms: quantity('Pin contact', 'Ω', 0, 1, 0.003) }),
  segments: [
    {
      key: 'pin',
      name: 'pin',
      between: ['a', 'b'],
      faults: [...passive, 'slack', 'missingPin', 'swapped', 'drain'],
    },
  ],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['pin'], gap: ['a', 'b'] },
  stamp: ({ pinOhms }, net) => net.contact('pin', 'a', 'b', pinOhms),
  summary: () => '',
})
