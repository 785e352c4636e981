import { z } from 'zod'
import { definePart, passive, quantity } from './definition'
import { formatPlain, formatQuantity } from '../quantity'

const pin: readonly string[] = [...passive, 'missingPin']

/** Three-wire sensor: a track between its supply and its low reference, and a wiper that carries the signal. */
export const sensor3 = definePart({
  kind: 'sensor3',
  seeAlso: ['sensorSupply', 'meterBand'],
  symbol: 'sensor3',
  access: 'under',
  takesCurrent: true,
  pinout: 'all',
  title: 'Position sensor, three-wire',
  letters: 'RP',
  topic: 'modules',
  role: 'connection',
  terminals: [
    { key: 'v', suffix: 'v', name: 'plug, 5 V' },
    { key: 'vi', suffix: 'vi', name: 'track, supply end', inside: true },
    { key: 'w', suffix: 'w', name: 'wiper', inside: true },
    { key: 's', suffix: 's', name: 'plug, signal' },
    { key: 'ri', suffix: 'ri', name: 'track, low end', inside: true },
    { key: 'r', suffix: 'r', name: 'plug, low reference' },
  ],
  through: ['v', 'r'],
  passes: [
    { segment: 'wiper', symbol: 'block', caption: 'signal' },
    { segment: 'upper', symbol: 'track', caption: 'track' },
  ],
  units: [
    { key: 'supply', name: '5 V pin', segments: ['pinV'] },
    { key: 'track', name: 'track', segments: ['upper', 'lower'] },
    { key: 'signal', name: 'wiper and signal pin', segments: ['wiper'] },
    { key: 'low', name: 'low reference pin', segments: ['pinR'] },
  ],
  // Common practice, no source.
  spread: { wiperOhms: 0.6 },
  parameters: z.object({
    trackOhms: quantity('Track', 'Ω', 100, 100000, 5000),
    position: quantity('Position', '%', 2, 98, 40),
    wiperOhms: quantity('Wiper', 'Ω', 0, 10000, 200),
  }),
  segments: [
    { key: 'pinV', name: 'plug, 5 V', between: ['v', 'vi'], faults: pin },
    { key: 'upper', name: 'track above the wiper', between: ['vi', 'w'], faults: ['open'] },
    { key: 'lower', name: 'track below the wiper', between: ['w', 'ri'], faults: ['open'] },
    { key: 'wiper', name: 'wiper and signal pin', between: ['w', 's'], faults: ['open', 'highResistance'] },
    { key: 'pinR', name: 'plug, low reference', between: ['ri', 'r'], faults: pin },
  ],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['pinV', 'wiper', 'pinR'] },
  // Common practice, no source.
  limitsAmps: 7.5,
  loads: ['upper', 'lower'],
  benchPairs: [
    ['v', 'r'],
    ['v', 's'],
    ['s', 'r'],
  ],
  stamp: ({ trackOhms, position, wiperOhms }, net) => {
    net.contact('pinV', 'v', 'vi', 0.01)
    net.resistor('upper', 'vi', 'w', trackOhms * (1 - position / 100), 0.02)
    net.resistor('lower', 'w', 'ri', trackOhms * (position / 100), 0.02)
    net.resistor('wiper', 'w', 's', Math.max(wiperOhms, 0.01), 0.5)
    net.contact('pinR', 'ri', 'r', 0.01)
  },
  summary: ({ trackOhms, position }) => `${formatQuantity(trackOhms, 'Ω')}, ${formatPlain(position)} %`,
})

/** Ohms of a thermistor: the B equation R = R₂₅·exp(B·(1/T − 1/298.15)); IEC 60539. `celsius` of what it measures. */
export const thermistorOhms = (at25: number, beta: number, celsius: number): number =>
  at25 * Math.exp(beta * (1 / (celsius + 273.15) - 1 / 298.15))

/** Two-wire temperature sensor: a thermistor that a module feeds through its own pull-up. */
export const sensor2 = definePart({
  kind: 'sensor2',
  seeAlso: ['sensorSupply', 'meterBand'],
  symbol: 'sensor2',
  access: 'under',
  takesCurrent: true,
  pinout: 'all',
  title: 'Temperature sensor, two-wire',
  letters: 'RT',
  topic: 'modules',
  role: 'connection',
  terminals: [
    { key: 's', suffix: 's', name: 'plug, signal' },
    { key: 'r', suffix: 'r', name: 'plug, low reference' },
  ],
  through: ['s', 'r'],
  units: [{ key: 'bead', name: 'thermistor', segments: ['bead'] }],
  parameters: z.object({
    ohmsAt25: quantity('At 25 °C', 'Ω', 100, 100000, 2200),
    beta: quantity('B', 'K', 2000, 5000, 3500),
    measures: quantity('What it measures', '°C', -40, 150, 60),
  }),
  segments: [{ key: 'bead', name: 'thermistor', between: ['s', 'r'], faults: [...passive, 'shortedTurns'] }],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['bead'] },
  loads: ['bead'],
  stamp: ({ ohmsAt25, beta, measures }, net) =>
    net.resistor('bead', 's', 'r', thermistorOhms(ohmsAt25, beta, measures), 0.03),
  summary: ({ ohmsAt25, measures }) => `${formatQuantity(ohmsAt25, 'Ω')}, at ${formatPlain(measures)} °C`,
})
