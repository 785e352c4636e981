import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'

/** On-off switch. */
export const toggle = definePart({
  kind: 'switch',
  seeAlso: ['openByHalves', 'pointByPoint'],
  symbol: 'switch',
  access: 'hand',
  title: 'parts.switch.title',
  letters: 'S',
  quick: { words: ['switch', 'toggle'] },
  role: 'control',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.input2' },
    { key: 'b', suffix: 'b', name: 'parts.output' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'contacts', name: 'parts.contacts', segments: ['contacts'] }],
  // Common practice, no source.
  spread: { contactOhms: 0.6 },
  parameters: z.object({ contactOhms: quantity('parts.contactsClosed', 'Ω', 0, 10, 0.005) }),
  segments: [
    {
      key: 'contacts',
      name: 'parts.contacts',
      between: ['a', 'b'],
      faults: ['stuckOpen', 'highResistance', 'corroded', 'leaky', 'burnt', 'welded'],
    },
  ],
  positions: ['open', 'closed'],
  closes: ['closed'],
  stamp: ({ contactOhms }, net, { position }) => {
    if (position === 'closed') net.contact('contacts', 'a', 'b', contactOhms)
  },
  summary: () => figures(''),
})
