import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { formatPlain } from '../quantity'

const notices = {
  cold: { key: 'cold', text: 'parts.heater.staysCold' },
  lukewarm: { key: 'lukewarm', text: 'parts.heater.lukewarm' },
  warm: { key: 'warm', text: 'parts.heater.warmsAsItShould' },
} as const satisfies Record<string, Notice>

/** Two-terminal heater. Source: Ohm's law; watts at `ratedVoltage`. */
export const heater = definePart({
  kind: 'heater',
  seeAlso: ['loadFromWatts', 'fourDrops', 'ohm'],
  symbol: 'heater',
  access: 'cover',
  title: 'parts.heater.title',
  letters: 'E',
  quick: { words: ['heater'], main: ['ratedPower', 'ratedVoltage'] },
  role: 'load',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.feed' },
    { key: 'b', suffix: 'b', name: 'parts.return' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'element', name: 'parts.heater.element', segments: ['element'] }],
  // Common practice, no source.
  spread: { ratedPower: 0.05 },
  parameters: z.object({
    ratedVoltage: quantity('parts.ratedVolts', 'V', 1, 48, 12),
    ratedPower: quantity('parts.ratedWatts', 'W', 0.5, 1000, 20),
  }),
  segments: [
    {
      key: 'element',
      name: 'parts.heater.element',
      between: ['a', 'b'],
      faults: [...passive, 'shortedTurns'],
    },
  ],
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['element'], gap: ['a', 'b'] },
  loads: ['element'],
  stamp: ({ ratedVoltage, ratedPower }, net) =>
    net.resistor('element', 'a', 'b', ratedVoltage ** 2 / ratedPower, 0.1),
  notice: {
    segment: 'element',
    read: ({ ratedPower }, { watts }) =>
      watts < 0.1 * ratedPower ? notices.cold : watts < 0.6 * ratedPower ? notices.lukewarm : notices.warm,
    all: Object.values(notices),
  },
  summary: ({ ratedVoltage, ratedPower }) =>
    figures(`${formatPlain(ratedVoltage)} V ${formatPlain(ratedPower)} W`),
})
