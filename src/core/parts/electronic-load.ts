import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity, type Notice } from './definition'
import type { Law } from '../solve'
import { formatPlain } from '../quantity'

/** Volts under which a load's transistors can no longer draw what they are set to (common practice, no source). */
const dropOut = 0.1

/** Draws its amps at any voltage but the last tenths; nothing without volts, and it never feeds. */
export function loadLaw(amps: number): Law {
  return {
    chord: amps / 12,
    at(v, out) {
      const share = Math.tanh(v / dropOut)
      out.current = amps * share
      // A tangent that is quite flat would leave a node that only this holds without any hold.
      out.slope = Math.max((amps / dropOut) * (1 - share * share), 1e-12)
    },
    limit: (v, before) =>
      Math.abs(v) > 3 * dropOut && Math.sign(v) !== Math.sign(before) ? Math.sign(v) * 2 * dropOut : v,
    spice: (name, a, b) => [`B${name} ${a} ${b} I=${amps}*tanh(v(${a},${b})/${dropOut})`],
  }
}

const notices = {
  idle: { key: 'idle', text: 'parts.electronicLoad.drawsNothing' },
  starved: { key: 'starved', text: 'parts.electronicLoad.showsTooFewAmps' },
  holds: { key: 'holds', text: 'parts.electronicLoad.holdsItsAmps' },
} as const satisfies Record<string, Notice>

/** Electronic load of a test bench: draws the amps it is set to, to bring a drop out with no lamp or motor there. */
export const electronicLoad = definePart({
  kind: 'electronicLoad',
  seeAlso: ['loadFromWatts', 'fourDrops'],
  symbol: 'electronicLoad',
  access: 'hand',
  title: 'parts.electronicLoad.title',
  letters: 'EL',
  quick: { words: ['electronic load', 'constant load'], main: ['amps'] },
  role: 'load',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.electronicLoad.positiveTerminal' },
    { key: 'b', suffix: 'b', name: 'parts.electronicLoad.negativeTerminal' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'load', name: 'parts.electronicLoad.load', segments: ['load'] }],
  parameters: z.object({ amps: quantity('parts.electronicLoad.ampsSet', 'A', 0.001, 200, 5) }),
  segments: [{ key: 'load', name: 'parts.electronicLoad.load', between: ['a', 'b'], faults: ['open'] }],
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['load'], gap: ['a', 'b'] },
  loads: ['load'],
  stamp: ({ amps }, net) => net.nonlinear('load', 'a', 'b', loadLaw(amps), 0.01),
  notice: {
    segment: 'load',
    read: ({ amps }, { amps: now }) =>
      now < 0.02 * amps ? notices.idle : now < 0.95 * amps ? notices.starved : notices.holds,
    all: Object.values(notices),
  },
  summary: ({ amps }) => figures(`${formatPlain(amps)} A`),
})
