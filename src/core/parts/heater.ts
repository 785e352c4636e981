import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { formatPlain } from '../quantity'

const notices = {
  cold: { key: 'cold', text: 'stays cold' },
  lukewarm: { key: 'lukewarm', text: 'lukewarm' },
  warm: { key: 'warm', text: 'warms as it should' },
} as const satisfies Record<string, Notice>

/** Two-terminal heater. Source: Ohm's law; watts at `ratedVoltage`. */
export const heater = definePart({
  kind: 'heater',
  seeAlso: ['loadFromWatts', 'fourDrops', 'ohm'],
  symbol: 'heater',
  access: 'cover',
  title: 'Heater',
  letters: 'E',
  quick: { words: ['heater'], main: ['ratedPower', 'ratedVoltage'] },
  role: 'load',
  terminals: [
    { key: 'a', suffix: 'a', name: 'feed' },
    { key: 'b', suffix: 'b', name: 'return' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'element', name: 'element', segments: ['element'] }],
  // Common practice, no source.
  spread: { ratedPower: 0.05 },
  parameters: z.object({
    ratedVoltage: quantity('Rated volts', 'V', 1, 48, 12),
    ratedPower: quantity('Rated watts', 'W', 0.5, 1000, 20),
  }),
  segments: [{ key: 'element', name: 'element', between: ['a', 'b'], faults: [...passive, 'shortedTurns'] }],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['element'], gap: ['a', 'b'] },
  loads: ['element'],
  stamp: ({ ratedVoltage, ratedPower }, net) =>
    net.resistor('element', 'a', 'b', ratedVoltage ** 2 / ratedPower, 0.1),
  notice: {
    segment: 'element',
    read: ({ ratedPower }, { watts }) =>
      watts < 0.1 * ratedPower ? notices.cold : watts < 0.6 * ratedPower ? notices.lukewarm : notices.warm,
    all: Object.values(notices),
  },
  summary: ({ ratedVoltage, ratedPower }) => `${formatPlain(ratedVoltage)} V ${formatPlain(ratedPower)} W`,
})
