import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { junctionLaw, thermalVoltage } from './junction'
import { formatPlain } from '../quantity'

const notices = {
  dark: { key: 'dark', text: 'parts.dark' },
  dim: { key: 'dim', text: 'parts.dim' },
  bright: { key: 'bright', text: 'parts.bright' },
} as const satisfies Record<string, Notice>

/** Emission coefficient of the string's diodes taken as one; sets how steep its knee is (common practice, no source). */
const emission = 12
/** Share of the rated volts that stands across the diodes, the rest across the resistor (common practice, no source). */
const diodeShare = 0.75

/**
 * LED lamp: a string of diodes behind a resistor (Shockley). The saturation current is such that the rated current
 * flows at the rated volts. Blocks when its leads are swapped.
 */
export const led = definePart({
  kind: 'led',
  seeAlso: ['resistors', 'openByHalves'],
  symbol: 'led',
  access: 'hand',
  title: 'parts.led.title',
  letters: 'D',
  quick: { words: ['led'] },
  takesCurrent: true,
  role: 'load',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.feed' },
    { key: 'm', suffix: 'm', name: 'parts.led.betweenResistorAndDiodes' },
    { key: 'b', suffix: 'b', name: 'parts.return' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'led', name: 'parts.led.title', segments: ['resistor', 'diodes'] }],
  // Common practice, no source.
  spread: { ratedCurrent: 0.05 },
  parameters: z.object({
    ratedVoltage: quantity('parts.ratedVolts', 'V', 5, 48, 12),
    ratedCurrent: quantity('parts.ratedAmps', 'A', 0.005, 5, 0.25),
  }),
  segments: [
    { key: 'resistor', name: 'parts.led.seriesResistor', between: ['a', 'm'], faults: passive },
    { key: 'diodes', name: 'parts.led.diodes', between: ['m', 'b'], faults: ['burntOut'] },
  ],
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['resistor'], gap: ['a', 'b'] },
  loads: ['resistor', 'diodes'],
  stamp: ({ ratedVoltage, ratedCurrent }, net, { temperature }) => {
    net.resistor('resistor', 'a', 'm', ((1 - diodeShare) * ratedVoltage) / ratedCurrent, 0.05)
    const kelvin = temperature + 273.15
    const scale = emission * thermalVoltage(kelvin)
    const saturation = ratedCurrent / Math.expm1((diodeShare * ratedVoltage) / scale)
    net.nonlinear('diodes', 'm', 'b', junctionLaw({ saturation, emission, kelvin }), 0.05)
  },
  notice: {
    segment: 'diodes',
    read: ({ ratedCurrent }, { amps }) =>
      amps < 0.005 * ratedCurrent ? notices.dark : amps < 0.6 * ratedCurrent ? notices.dim : notices.bright,
    all: Object.values(notices),
  },
  summary: ({ ratedVoltage, ratedCurrent }) =>
    figures(`${formatPlain(ratedVoltage)} V ${formatPlain(ratedCurrent)} A`),
})
