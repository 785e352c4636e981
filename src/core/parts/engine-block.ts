import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'

/** Engine block between a component bolted to it and its own strap: metal, and a path like any other. */
export const engineBlock = definePart({
  kind: 'engineBlock',
  seeAlso: ['groundsThree', 'noCrank'],
  symbol: 'engineBlock',
  access: 'hand',
  title: 'parts.engineBlock.title',
  letters: 'EB',
  topic: 'grounds',
  quick: { words: ['engine block', 'engine'] },
  role: 'conductor',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.engineBlock.nearTheComponent' },
    { key: 'b', suffix: 'b', name: 'parts.engineBlock.strapBolt' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'metal', name: 'parts.engineBlock.block', segments: ['metal'] }],
  // Common practice, no source.
  spread: { ohms: 0.6 },
  parameters: z.object({ ohms: quantity('parts.resistance', 'Ω', 0, 1, 0.0003) }),
  segments: [
    { key: 'metal', name: 'parts.engineBlock.block', between: ['a', 'b'], faults: ['highResistance'] },
  ],
  stamp: ({ ohms }, net) => net.contact('metal', 'a', 'b', ohms),
  summary: () => figures(''),
})
