import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'

/** Sheet metal between two ground points: a ground is a path, not a symbol. */
export const chassis = definePart({
  kind: 'chassis',
  seeAlso: ['groundsThree'],
  symbol: 'chassis',
  access: 'hand',
  ground: 'a',
  title: 'parts.chassis.title',
  letters: 'CH',
  topic: 'grounds',
  quick: { words: ['chassis', 'body'] },
  role: 'conductor',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.chassis.nearTheLoad' },
    { key: 'b', suffix: 'b', name: 'parts.chassis.nearTheBattery' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'metal', name: 'parts.chassis.sheetMetal', segments: ['metal'] }],
  // Common practice, no source.
  spread: { ohms: 0.6 },
  parameters: z.object({ ohms: quantity('parts.resistance', 'Ω', 0, 1, 0.001) }),
  segments: [
    { key: 'metal', name: 'parts.chassis.sheetMetal', between: ['a', 'b'], faults: ['highResistance'] },
  ],
  stamp: ({ ohms }, net) => net.contact('metal', 'a', 'b', ohms),
  summary: () => figures(''),
})
