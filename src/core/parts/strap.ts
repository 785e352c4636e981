import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity } from './definition'
import { copperOhms } from './wire'
import { formatPlain } from '../quantity'

/** Heavy cable or braid that is bolted on, such as the one from chassis to the battery's negative clamp. */
export const strap = definePart({
  kind: 'strap',
  seeAlso: ['groundsThree', 'noCrank'],
  symbol: 'strap',
  access: 'hand',
  cable: { segment: 'braid', length: 'length', section: 'section' },
  title: 'parts.strap.title',
  letters: 'ST',
  topic: 'grounds',
  quick: { words: ['strap', 'ground strap', 'braid'] },
  role: 'conductor',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.strap.bolt' },
    { key: 'l', suffix: 'l', name: 'parts.strap.lug' },
    { key: 'b', suffix: 'b', name: 'parts.farEnd' },
  ],
  through: ['a', 'b'],
  units: [
    { key: 'bolt', name: 'parts.strap.boltedJoint', segments: ['bolt'] },
    { key: 'cable', name: 'parts.strap.cable', segments: ['braid'] },
  ],
  // Common practice, no source.
  spread: { length: 0.08, boltOhms: 0.6 },
  parameters: z.object({
    length: quantity('parts.length', 'm', 0.05, 10, 0.5),
    section: quantity('parts.section', 'mm²', 4, 120, 25),
    boltOhms: quantity('parts.strap.boltedJoint2', 'Ω', 0, 1, 0.0001),
  }),
  segments: [
    { key: 'bolt', name: 'parts.strap.boltedJoint', between: ['a', 'l'], faults: passive },
    { key: 'braid', name: 'parts.strap.cable', between: ['l', 'b'], faults: ['open', 'highResistance'] },
  ],
  detach: {
    verb: 'parts.lift',
    done: 'parts.lifted',
    opens: ['braid'],
    gap: ['l', 'b'],
    comesOut: { segments: ['braid'] },
  },
  stamp: ({ length, section, boltOhms }, net, { temperature }) => {
    net.contact('bolt', 'a', 'l', boltOhms)
    net.resistor('braid', 'l', 'b', copperOhms(length, section, temperature), 0.06)
  },
  summary: ({ length, section }) => figures(`${formatPlain(section)} mm², ${formatPlain(length)} m`),
})
