import { figures, say } from '../document'
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
  title: 'parts.sensor.title',
  quick: { words: ['position sensor'] },
  letters: 'RP',
  topic: 'modules',
  role: 'connection',
  terminals: [
    { key: 'v', suffix: 'v', name: 'parts.sensor.plug5V' },
    { key: 'vi', suffix: 'vi', name: 'parts.sensor.trackSupplyEnd', inside: true },
    { key: 'w', suffix: 'w', name: 'parts.sensor.wiper', inside: true },
    { key: 's', suffix: 's', name: 'parts.sensor.plugSignal' },
    { key: 'ri', suffix: 'ri', name: 'parts.sensor.trackLowEnd', inside: true },
    { key: 'r', suffix: 'r', name: 'parts.sensor.plugLowReference' },
  ],
  through: ['v', 'r'],
  passes: [
    { segment: 'wiper', symbol: 'block', caption: 'parts.sensor.signal' },
    { segment: 'upper', symbol: 'track', caption: 'parts.sensor.track' },
  ],
  units: [
    { key: 'supply', name: 'parts.sensor.n5VPin', segments: ['pinV'] },
    { key: 'track', name: 'parts.sensor.track', segments: ['upper', 'lower'] },
    { key: 'signal', name: 'parts.sensor.wiperAndSignalPin', segments: ['wiper'] },
    { key: 'low', name: 'parts.sensor.lowReferencePin', segments: ['pinR'] },
  ],
  orderedAs: ['upper', 'lower', 'wiper'],
  // Common practice, no source.
  spread: { wiperOhms: 0.6 },
  parameters: z.object({
    trackOhms: quantity('parts.sensor.track2', 'Ω', 100, 100000, 5000),
    position: quantity('parts.sensor.position', '%', 2, 98, 40),
    wiperOhms: quantity('parts.sensor.wiper2', 'Ω', 0, 10000, 200),
  }),
  segments: [
    { key: 'pinV', name: 'parts.sensor.plug5V', between: ['v', 'vi'], faults: pin },
    { key: 'upper', name: 'parts.sensor.trackAboveTheWiper', between: ['vi', 'w'], faults: ['open'] },
    { key: 'lower', name: 'parts.sensor.trackBelowTheWiper', between: ['w', 'ri'], faults: ['open'] },
    {
      key: 'wiper',
      name: 'parts.sensor.wiperAndSignalPin',
      between: ['w', 's'],
      faults: ['open', 'highResistance'],
    },
    { key: 'pinR', name: 'parts.sensor.plugLowReference', between: ['ri', 'r'], faults: pin },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.unplugged',
    opens: ['pinV', 'wiper', 'pinR'],
    comesOut: { segments: ['upper', 'lower', 'wiper'], pins: { v: 'vi', r: 'ri' } },
  },
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
  summary: ({ trackOhms, position }) =>
    figures(`${formatQuantity(trackOhms, 'Ω')}, ${formatPlain(position)} %`),
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
  title: 'parts.sensor.temperatureSensorTwoWire',
  quick: { words: ['temperature sensor'] },
  letters: 'RT',
  topic: 'modules',
  role: 'connection',
  terminals: [
    { key: 's', suffix: 's', name: 'parts.sensor.plugSignal' },
    { key: 'r', suffix: 'r', name: 'parts.sensor.plugLowReference' },
  ],
  through: ['s', 'r'],
  units: [{ key: 'bead', name: 'parts.sensor.thermistor', segments: ['bead'] }],
  parameters: z.object({
    ohmsAt25: quantity('parts.sensor.at25Degrees', 'Ω', 100, 100000, 2200),
    beta: quantity('parts.sensor.b', 'K', 2000, 5000, 3500),
    measures: quantity('parts.sensor.whatItMeasures', '°C', -40, 150, 60),
  }),
  segments: [
    {
      key: 'bead',
      name: 'parts.sensor.thermistor',
      between: ['s', 'r'],
      faults: [...passive, 'shortedTurns'],
    },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.unplugged',
    opens: ['bead'],
    comesOut: { segments: ['bead'] },
  },
  loads: ['bead'],
  stamp: ({ ohmsAt25, beta, measures }, net) =>
    net.resistor('bead', 's', 'r', thermistorOhms(ohmsAt25, beta, measures), 0.03),
  summary: ({ ohmsAt25, measures }) =>
    say('parts.sensor.at', {
      ohms: { value: ohmsAt25, unit: 'Ω' },
      celsius: { value: measures, unit: '' },
    }),
})
