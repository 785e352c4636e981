import { figures, say, messageOf, type Words } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { brightness, burnsOutAt, filamentLaw, lightOf } from './lamp'
import { formatPlain } from '../quantity'

const levels = ['dark', 'glows', 'dim', 'bright', 'glaring'] as const
const words: Readonly<Record<(typeof levels)[number], Words>> = {
  dark: 'parts.dark',
  glows: 'parts.glowsDullRed',
  dim: 'parts.dim',
  bright: 'parts.bright',
  glaring: 'parts.twoFilamentLamp.tooBright',
}
/** Both filaments at once, the strong one first: the list rises with either. */
const all: readonly Notice[] = levels.flatMap((strong) =>
  levels.map((faint) => ({
    key: `${strong}-${faint}`,
    text: say('parts.twoFilamentLamp.both', { a: messageOf(words[strong]), b: messageOf(words[faint]) }),
  })),
)
const both = (strong: Notice, faint: Notice): Notice =>
  all.find((n) => n.key === `${strong.key}-${faint.key}`)!

/**
 * Lamp with two filaments on one return: stop and tail, main and dipped. When the return is lost, each filament finds
 * its ground through the other. Ratings as UN Regulation No. 37 states them (P21/5W: 21 and 5 W at 12 V; from memory).
 */
export const twoFilamentLamp = definePart({
  kind: 'twoFilamentLamp',
  seeAlso: ['lampAtVolts', 'fourDrops', 'lamps'],
  symbol: 'lamp',
  access: 'hand',
  pinout: 'all',
  title: 'parts.twoFilamentLamp.title',
  letters: 'LT',
  quick: {
    words: ['two-filament lamp', 'double lamp', 'tail and stop lamp'],
    main: ['strongPower', 'faintPower'],
  },
  role: 'load',
  terminals: [
    { key: 's', suffix: 's', name: 'parts.twoFilamentLamp.socketStrongFilament' },
    { key: 't', suffix: 't', name: 'parts.twoFilamentLamp.socketFaintFilament' },
    { key: 'sf', suffix: 'sf', name: 'parts.twoFilamentLamp.lampContactStrong' },
    { key: 'tf', suffix: 'tf', name: 'parts.twoFilamentLamp.lampContactFaint' },
    { key: 'g', suffix: 'g', name: 'parts.twoFilamentLamp.lampCap' },
    { key: 'b', suffix: 'b', name: 'parts.socketReturn' },
  ],
  through: ['s', 'b'],
  passes: [
    { segment: 'strong', symbol: 'lamp', caption: 'parts.twoFilamentLamp.strongFilament' },
    { segment: 'faint', symbol: 'lamp', caption: 'parts.twoFilamentLamp.faintFilament' },
  ],
  units: [
    {
      key: 'strong',
      name: 'parts.twoFilamentLamp.strongFilamentAndItsContact',
      segments: ['strong', 'socketStrong'],
    },
    {
      key: 'faint',
      name: 'parts.twoFilamentLamp.faintFilamentAndItsContact',
      segments: ['faint', 'socketFaint'],
    },
    { key: 'return', name: 'parts.twoFilamentLamp.returnContact', segments: ['socketOut'] },
  ],
  orderedAs: ['strong', 'faint'],
  // Common practice, no source.
  spread: { strongPower: 0.05, faintPower: 0.05, socketOhms: 0.6 },
  parameters: z.object({
    ratedVoltage: quantity('parts.ratedVolts', 'V', 1, 48, 12),
    strongPower: quantity('parts.twoFilamentLamp.strongFilament2', 'W', 1, 150, 21),
    faintPower: quantity('parts.twoFilamentLamp.faintFilament2', 'W', 0.5, 150, 5),
    workingKelvin: quantity('parts.twoFilamentLamp.filamentsAtRating', 'K', 1800, 3300, 2700),
    socketOhms: quantity('parts.socketContact', 'Ω', 0, 5, 0.004),
  }),
  segments: [
    {
      key: 'socketStrong',
      name: 'parts.twoFilamentLamp.contactStrongFilament',
      between: ['s', 'sf'],
      faults: passive,
    },
    {
      key: 'strong',
      name: 'parts.twoFilamentLamp.strongFilament',
      between: ['sf', 'g'],
      faults: ['burntOut'],
      inTime: { type: 'filament', watts: 'strongPower' },
    },
    {
      key: 'socketFaint',
      name: 'parts.twoFilamentLamp.contactFaintFilament',
      between: ['t', 'tf'],
      faults: passive,
    },
    {
      key: 'faint',
      name: 'parts.twoFilamentLamp.faintFilament',
      between: ['tf', 'g'],
      faults: ['burntOut'],
      inTime: { type: 'filament', watts: 'faintPower' },
    },
    { key: 'socketOut', name: 'parts.returnContactOfTheSocket', between: ['g', 'b'], faults: passive },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.unplugged',
    opens: ['socketStrong', 'socketFaint', 'socketOut'],
    comesOut: { segments: ['strong', 'faint'], pins: { s: 'sf', t: 'tf', b: 'g' } },
  },
  interchangeable: true,
  loads: ['strong', 'faint'],
  bears: { segments: ['strong', 'faint'], most: burnsOutAt },
  benchPairs: [
    ['sf', 'g'],
    ['tf', 'g'],
  ],
  stamp: ({ ratedVoltage, strongPower, faintPower, workingKelvin, socketOhms }, net, { temperature }) => {
    const socket = Math.max(socketOhms, 1e-6)
    const law = (ratedPower: number) =>
      filamentLaw({ ratedVoltage, ratedPower, workingKelvin }, temperature + 273.15)
    net.contact('socketStrong', 's', 'sf', socket)
    net.nonlinear('strong', 'sf', 'g', law(strongPower), 0.05)
    net.contact('socketFaint', 't', 'tf', socket)
    net.nonlinear('faint', 'tf', 'g', law(faintPower), 0.05)
    net.contact('socketOut', 'g', 'b', socket)
  },
  notice: {
    segment: 'strong',
    read: ({ ratedVoltage }, { volts }, { of, beside }) =>
      both(
        brightness(volts, ratedVoltage, beside?.[0]),
        brightness(of('faint').volts, ratedVoltage, beside?.[1]),
      ),
    all,
    beside: {
      like: ({ ratedVoltage, strongPower, faintPower }) => `${ratedVoltage} ${strongPower} ${faintPower}`,
      shines: ({ ratedVoltage }, of) =>
        [of('strong').volts, of('faint').volts].map((volts) => lightOf(volts, ratedVoltage)),
    },
  },
  summary: ({ ratedVoltage, strongPower, faintPower }) =>
    figures(`${formatPlain(ratedVoltage)} V ${formatPlain(strongPower)}/${formatPlain(faintPower)} W`),
})
