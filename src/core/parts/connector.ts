import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity } from './definition'

/** One circuit through an inline connector; both halves are back-probed. */
export const connector = definePart({
  kind: 'connector',
  seeAlso: ['terminalCare', 'intermittent', 'pointByPoint'],
  symbol: 'connector',
  access: 'cover',
  pinout: 'all',
  title: 'parts.connector.title',
  letters: 'X',
  quick: { words: ['connector', 'plug'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.connector.supplySideHalf' },
    { key: 'b', suffix: 'b', name: 'parts.connector.farHalf' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'pin', name: 'parts.connector.pin', segments: ['pin'] }],
  // Common practice, no source.
  spread: { pinOhms: 0.6 },
  parameters: z.object({ pinOhms: quantity('parts.pinContact', 'Ω', 0, 1, 0.003) }),
  segments: [
    {
      key: 'pin',
      name: 'parts.connector.pin',
      between: ['a', 'b'],
      faults: [...passive, 'slack', 'missingPin', 'swapped', 'drain'],
    },
  ],
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['pin'], gap: ['a', 'b'] },
  stamp: ({ pinOhms }, net) => net.contact('pin', 'a', 'b', pinOhms),
  summary: () => figures(''),
})
