import { say } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'

const outputs = ['1', '2', '3', '4'] as const
const segments = outputs.map((n) => ({
  key: `to${n}`,
  name: say('parts.rotarySelector.contactsTo', { n }),
  between: ['in', `out${n}`] as const,
  faults: ['stuckOpen', 'burnt', 'highResistance', 'corroded', 'leaky'],
}))

/** Rotary selector, one in and four out, break before make: a blower's or a wiper's speeds, a choice of lamps. */
export const rotarySelector = definePart({
  kind: 'rotarySelector',
  seeAlso: ['openByHalves', 'pointByPoint'],
  symbol: 'keySwitch',
  access: 'dash',
  pinout: 'all',
  title: 'parts.rotarySelector.title',
  letters: 'SR',
  quick: { words: ['rotary selector', 'selector', 'rotary switch'] },
  role: 'control',
  terminals: [
    { key: 'in', suffix: 'in', name: 'parts.input2' },
    ...outputs.map((n) => ({ key: `out${n}`, suffix: n, name: say('parts.rotarySelector.output', { n }) })),
  ],
  through: ['in', 'out1'],
  passes: outputs.map((n) => ({
    segment: `to${n}`,
    symbol: 'switch',
    caption: say('parts.rotarySelector.output', { n }),
    closes: [n],
  })),
  units: segments.map(({ key, name }) => ({ key, name, segments: [key] })),
  orderedAs: segments.map(({ key }) => key),
  // Common practice, no source.
  spread: { contactOhms: 0.6 },
  parameters: z.object({ contactOhms: quantity('parts.contactsClosed', 'Ω', 0, 10, 0.008) }),
  segments,
  positions: ['off', ...outputs],
  positionNames: Object.fromEntries(outputs.map((n) => [n, say('parts.rotarySelector.position', { n })])),
  benchPairs: outputs.map((n) => ['in', `out${n}`] as const),
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: segments.map(({ key }) => key) },
  stamp: ({ contactOhms }, net, { position, detached }) => {
    if (detached || position === undefined || position === 'off') return
    net.contact(`to${position}`, 'in', `out${position}`, contactOhms)
  },
  summary: () => 'parts.rotarySelector.ways',
})
