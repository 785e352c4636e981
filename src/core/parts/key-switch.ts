import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'

const contactFaults: readonly string[] = ['stuckOpen', 'burnt', 'leaky']

/** Which outputs each position joins to 30. Terminal designations: DIN 72552 (15 ignition, 50 start control, 75 accessory). */
const joins: Readonly<Record<string, readonly ('t75' | 't15' | 't50')[]>> = {
  off: [],
  accessory: ['t75'],
  run: ['t75', 't15'],
  crank: ['t15', 't50'],
}

/** Key switch. In crank the accessories go off. */
export const keySwitch = definePart({
  kind: 'keySwitch',
  seeAlso: ['openByHalves', 'noCrank'],
  symbol: 'keySwitch',
  access: 'dash',
  pinout: 'all',
  title: 'parts.keySwitch.title',
  letters: 'SK',
  quick: { words: ['key switch', 'key', 'ignition switch'] },
  role: 'control',
  terminals: [
    { key: 't30', suffix: '.30', name: 'parts.supply' },
    { key: 't15', suffix: '.15', name: 'parts.keySwitch.ignition' },
    { key: 't50', suffix: '.50', name: 'parts.keySwitch.start' },
    { key: 't75', suffix: '.75', name: 'parts.keySwitch.accessory' },
  ],
  through: ['t30', 't15'],
  passes: [
    { segment: 'ignition', symbol: 'switch', caption: figures('30–15'), closes: ['run', 'crank'] },
    { segment: 'start', symbol: 'switch', caption: figures('30–50'), closes: ['crank'] },
    { segment: 'accessory', symbol: 'switch', caption: figures('30–75'), closes: ['accessory', 'run'] },
  ],
  units: [
    { key: 'ignition', name: 'parts.keySwitch.contacts3015', segments: ['ignition'] },
    { key: 'start', name: 'parts.keySwitch.contacts3050', segments: ['start'] },
    { key: 'accessory', name: 'parts.keySwitch.contacts3075', segments: ['accessory'] },
  ],
  orderedAs: ['ignition', 'start', 'accessory'],
  // Common practice, no source.
  spread: { contactOhms: 0.6 },
  parameters: z.object({ contactOhms: quantity('parts.contactsClosed', 'Ω', 0, 10, 0.006) }),
  segments: [
    { key: 'ignition', name: 'parts.keySwitch.contacts3015', between: ['t30', 't15'], faults: contactFaults },
    { key: 'start', name: 'parts.keySwitch.contacts3050', between: ['t30', 't50'], faults: contactFaults },
    {
      key: 'accessory',
      name: 'parts.keySwitch.contacts3075',
      between: ['t30', 't75'],
      faults: contactFaults,
    },
  ],
  positions: ['off', 'accessory', 'run', 'crank'],
  benchPairs: [
    ['t30', 't15'],
    ['t30', 't50'],
    ['t30', 't75'],
  ],
  stamp: ({ contactOhms }, net, { position }) => {
    const ohms = Math.max(contactOhms, 1e-6)
    for (const to of joins[position ?? 'off'] ?? []) {
      const segment = to === 't15' ? 'ignition' : to === 't50' ? 'start' : 'accessory'
      net.contact(segment, 't30', to, ohms)
    }
  },
  summary: () => figures(''),
})
