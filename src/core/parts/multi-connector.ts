import { figures, say } from '../document'
import { z } from 'zod'
import { twoRows } from './faces'
import { definePart, passive, quantity } from './definition'

const numbers = [1, 2, 3, 4, 5, 6] as const

/** A connector that several circuits pass, a pin each; both halves are back-probed. */
export const multiConnector = definePart({
  kind: 'multiConnector',
  seeAlso: ['terminalCare', 'intermittent'],
  symbol: 'connector',
  access: 'cover',
  pinout: 'met',
  title: 'parts.multiConnector.title',
  letters: 'XP',
  quick: { words: ['six-pin connector', 'six-pin plug', 'multi-plug'], main: ['pinOhms'] },
  role: 'connection',
  terminals: numbers.flatMap((n) => [
    { key: `a${n}`, suffix: `.${n}a`, name: say('parts.multiConnector.supplySide', { n }) },
    { key: `b${n}`, suffix: `.${n}b`, name: say('parts.multiConnector.farSide', { n }) },
  ]),
  through: ['a1', 'b1'],
  passes: numbers.map((n) => ({
    segment: `pin${n}`,
    symbol: 'connector',
    caption: say('parts.multiConnector.pin', { n }),
  })),
  units: numbers.map((n) => ({
    key: `pin${n}`,
    name: say('parts.multiConnector.pin', { n }),
    segments: [`pin${n}`],
  })),
  // Common practice, no source.
  spread: { pinOhms: 0.6 },
  parameters: z.object({ pinOhms: quantity('parts.pinContact', 'Ω', 0, 1, 0.003) }),
  segments: numbers.map((n) => ({
    key: `pin${n}`,
    name: say('parts.multiConnector.pin', { n }),
    between: [`a${n}`, `b${n}`] as const,
    faults: [...passive, 'slack', 'missingPin', 'swapped'] as const,
  })),
  // Two halves that meet are mirrors of each other.
  faces: () => ({
    supply: twoRows(numbers.map((n) => `a${n}`)),
    far: twoRows(numbers.map((n) => `b${n}`)).map((row) => [...row].reverse()),
  }),
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: numbers.map((n) => `pin${n}`) },
  benchPairs: numbers.map((n) => [`a${n}`, `b${n}`] as const),
  stamp: ({ pinOhms }, net) => {
    for (const n of numbers) net.contact(`pin${n}`, `a${n}`, `b${n}`, pinOhms)
  },
  summary: () => figures(''),
})
