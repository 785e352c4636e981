import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { brightness, filamentLaw } from './lamp'
import { formatPlain } from '../quantity'

const levels = ['dark', 'glows', 'dim', 'bright', 'glaring'] as const
const words: Readonly<Record<string, string>> = {
  dark: 'dark',
  glows: 'glows dull red',
  dim: 'dim',
  bright: 'bright',
  glaring: 'too bright',
}
/** Both filaments at once, the strong one first: the list rises with either. */
const all: readonly Notice[] = levels.flatMap((strong) =>
  levels.map((faint) => ({
    key: `${strong}-${faint}`,
    text: `strong ${words[strong]!}, faint ${words[faint]!}`,
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
  title: 'Two-filament lamp in socket',
  letters: 'LT',
  quick: {
    words: ['two-filament lamp', 'double lamp', 'tail and stop lamp'],
    main: ['strongPower', 'faintPower'],
  },
  role: 'load',
  terminals: [
    { key: 's', suffix: 's', name: 'socket, strong filament' },
    { key: 't', suffix: 't', name: 'socket, faint filament' },
    { key: 'sf', suffix: 'sf', name: 'lamp contact, strong' },
    { key: 'tf', suffix: 'tf', name: 'lamp contact, faint' },
    { key: 'g', suffix: 'g', name: 'lamp cap' },
    { key: 'b', suffix: 'b', name: 'socket, return' },
  ],
  through: ['s', 'b'],
  passes: [
    { segment: 'strong', symbol: 'lamp', caption: 'strong filament' },
    { segment: 'faint', symbol: 'lamp', caption: 'faint filament' },
  ],
  units: [
    { key: 'strong', name: 'strong filament and its contact', segments: ['strong', 'socketStrong'] },
    { key: 'faint', name: 'faint filament and its contact', segments: ['faint', 'socketFaint'] },
    { key: 'return', name: 'return contact', segments: ['socketOut'] },
  ],
  // Common practice, no source.
  spread: { strongPower: 0.05, faintPower: 0.05, socketOhms: 0.6 },
  parameters: z.object({
    ratedVoltage: quantity('Rated volts', 'V', 1, 48, 12),
    strongPower: quantity('Strong filament', 'W', 1, 150, 21),
    faintPower: quantity('Faint filament', 'W', 0.5, 150, 5),
    workingKelvin: quantity('Filaments at rating', 'K', 1800, 3300, 2700),
    socketOhms: quantity('Socket contact', 'Ω', 0, 5, 0.004),
  }),
  segments: [
    { key: 'socketStrong', name: 'contact, strong filament', between: ['s', 'sf'], faults: passive },
    {
      key: 'strong',
      name: 'strong filament',
      between: ['sf', 'g'],
      faults: ['burntOut'],
      inTime: { type: 'filament', watts: 'strongPower' },
    },
    { key: 'socketFaint', name: 'contact, faint filament', between: ['t', 'tf'], faults: passive },
    {
      key: 'faint',
      name: 'faint filament',
      between: ['tf', 'g'],
      faults: ['burntOut'],
      inTime: { type: 'filament', watts: 'faintPower' },
    },
    { key: 'socketOut', name: 'return contact of the socket', between: ['g', 'b'], faults: passive },
  ],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['socketStrong', 'socketFaint', 'socketOut'] },
  loads: ['strong', 'faint'],
  benchPairs: [
    ['sf', 'g'],
    ['tf', 'g'],
  ],
  stamp: ({ ratedVoltage, strongPower, faintPower, workingKelvin, socketOhms }, net, { temperature }) => {
    const socket = Math.max(socketOhms, 1e-6)
    const law = (ratedPower: number) =>
      filamentLaw({ ratedVoltage, ratedPower, workingKelvin }, temperature + 273.15)
    net.contact('socketStrong', 's', 'sf', socket)
    net.curve('strong', 'sf', 'g', law(strongPower), 0.05)
    net.contact('socketFaint', 't', 'tf', socket)
    net.curve('faint', 'tf', 'g', law(faintPower), 0.05)
    net.contact('socketOut', 'g', 'b', socket)
  },
  notice: {
    segment: 'strong',
    read: ({ ratedVoltage }, { volts }, { of }) =>
      both(brightness(volts, ratedVoltage), brightness(of('faint').volts, ratedVoltage)),
    all,
  },
  summary: ({ ratedVoltage, strongPower, faintPower }) =>
    `${formatPlain(ratedVoltage)} V ${formatPlain(strongPower)}/${formatPlain(faintPower)} W`,
})
