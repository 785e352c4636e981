import { figures } from '../document'
import { z } from 'zod'
import { choice, definePart, quantity } from './definition'
import { sectionTable } from './tables'
import { formatPlain } from '../quantity'

/** IEC 60028 standard annealed copper at 20 °C: 1/58 Ω·mm²/m, and 0.00393 per kelvin. */
export const copperResistivity = 1 / 58
export const copperCoefficient = 0.00393

/**
 * Ohms of a copper conductor. `length` m, `area` mm², `temperature` °C.
 * @param length m
 * @param area mm²
 * @param temperature °C
 * @returns Ω
 */
export function copperOhms(length: number, area: number, temperature: number): number {
  return ((copperResistivity * length) / area) * (1 + copperCoefficient * (temperature - 20))
}

/** Two-letter codes of colours (IEC 60757, from memory); a drawing that names none leaves them out. */
const colours = ['none', 'BK', 'BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY', 'WH', 'PK'] as const

/** A single-core copper wire. */
export const wire = definePart({
  kind: 'wire',
  seeAlso: ['wireDrop', 'sectionForDrop', 'gauge', 'wireRepair', 'wires'],
  symbol: 'wire',
  access: 'cover',
  cable: { segment: 'copper', length: 'length', section: 'section', byTheMetre: true },
  title: 'parts.wire.title',
  letters: 'W',
  quick: { words: ['wire', 'cable', 'lead', 'conductor'], main: ['section', 'length'] },
  role: 'conductor',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.supplyEnd' },
    { key: 'b', suffix: 'b', name: 'parts.farEnd' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'copper', name: 'parts.wire.wire', segments: ['copper'] }],
  // Common practice, no source.
  spread: { length: 0.08 },
  parameters: z.object({
    length: quantity('parts.length', 'm', 0.01, 100, 1),
    section: quantity('parts.section', 'mm²', 0.13, 120, 1.5, sectionTable),
    colour: choice('parts.wire.colour', colours, 'none', {
      none: 'parts.wire.noColour',
      BK: 'parts.wire.black',
      BN: 'parts.wire.brown',
      RD: 'parts.wire.red',
      OG: 'parts.wire.orange',
      YE: 'parts.wire.yellow',
      GN: 'parts.wire.green',
      BU: 'parts.wire.blue',
      VT: 'parts.wire.violet',
      GY: 'parts.wire.grey',
      WH: 'parts.wire.white',
      PK: 'parts.wire.pink',
    }),
  }),
  segments: [
    {
      key: 'copper',
      name: 'parts.wire.conductor',
      between: ['a', 'b'],
      faults: [
        'open',
        'highResistance',
        'corroded',
        'strandsLost',
        'shortToGround',
        'shortToSupply',
        'shortBetween',
      ],
    },
  ],
  stamp: ({ length, section }, net, { temperature }) =>
    net.resistor('copper', 'a', 'b', copperOhms(length, section, temperature), 0.06),
  summary: ({ length, section, colour }) =>
    figures(`${colour === 'none' ? '' : `${colour} `}${formatPlain(section)} mm², ${formatPlain(length)} m`),
})
