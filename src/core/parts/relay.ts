import { say } from '../document'
import { z } from 'zod'
import { choice, definePart, passive, quantity, windingBears, type Notice } from './definition'
import { relayFace } from './faces'
import { junctionLaw } from './junction'
import { copperCoefficient } from './wire'

const notices = {
  silent: { key: 'silent', text: 'parts.silent' },
  buzzes: { key: 'buzzes', text: 'parts.relay.buzzes' },
  clicks: { key: 'clicks', text: 'parts.relay.clicksAndHolds', pulled: true },
} as const satisfies Record<string, Notice>

/** Rated volts over those at which a relay pulls in: 12 over 7.5 (common practice, no source). */
const ratedOver = 1.6

/** The 1–5 numbering of the same five pins (ISO 7588 and DIN 72552 schemes side by side; from memory). */
const numbers = { t86: '1', t85: '2', t30: '3', t87a: '4', t87: '5' } as const

/**
 * Relay in its socket: two circuits, four segments. Numbering after DIN 72552 or 1 to 5 (ISO 7588); typical pull-in
 * at most 8 V, drop-out at least 1.2 V at 20 °C (from memory). The coil is copper: its ohms, and with them its pull-in,
 * rise with temperature. `inductance` matters only while it switches.
 */
export const relay = definePart({
  kind: 'relay',
  seeAlso: ['relaySocket', 'relayFour', 'relays'],
  symbol: 'relay',
  access: 'cover',
  pinout: 'all',
  title: 'parts.relay.title',
  letters: 'K',
  topic: 'relays',
  quick: {
    words: ['relay'],
    main: ['coilOhms'],
    // For 24 V the same ampere-turns at half the current: four times the ohms, twice the volts.
    fill: ({ system, coilOhms = 360 }): Readonly<Record<string, number>> =>
      system === 24 ? { coilOhms, pullIn: 15, dropOut: 5, suppressorOhms: 1500 } : {},
  },
  role: 'control',
  terminals: [
    { key: 't86', suffix: '.86', name: 'parts.relay.socketCoilSupply' },
    { key: 'c86', suffix: '.86i', name: 'parts.relay.coilEnd86', inside: true },
    { key: 'c85', suffix: '.85i', name: 'parts.relay.coilEnd85', inside: true },
    { key: 't85', suffix: '.85', name: 'parts.relay.socketCoilGround' },
    { key: 't30', suffix: '.30', name: 'parts.relay.socketContactSupply' },
    { key: 'c30', suffix: '.30i', name: 'parts.relay.movingContact', inside: true },
    { key: 'c87', suffix: '.87i', name: 'parts.relay.makeContact', inside: true },
    { key: 't87', suffix: '.87', name: 'parts.relay.socketMakeContact' },
    { key: 'c87a', suffix: '.87ai', name: 'parts.relay.breakContact', inside: true },
    { key: 't87a', suffix: '.87a', name: 'parts.relay.socketBreakContact' },
  ],
  suffixes: ({ numbering }) =>
    numbering === 'oneToFive'
      ? Object.fromEntries(Object.entries(numbers).map(([key, n]) => [key, `.${n}`]))
      : {},
  through: ['t30', 't87'],
  passes: [
    { segment: 'coil', symbol: 'coil', caption: 'parts.relay.coil' },
    { segment: 'make', symbol: 'makeContact', caption: 'parts.contacts' },
    { segment: 'break', symbol: 'breakContact', caption: 'parts.relay.restContact' },
  ],
  units: [
    { key: 'coil', name: 'parts.relay.coilSide', segments: ['pin86', 'coil', 'pin85', 'suppressor'] },
    {
      key: 'contacts',
      name: 'parts.relay.contactSide',
      segments: ['pin30', 'make', 'pin87', 'break', 'pin87a'],
    },
  ],
  orderedAs: ['coil', 'suppressor', 'make', 'break'],
  // Common practice, no source.
  spread: { contactOhms: 0.6, pinOhms: 0.6 },
  parameters: z.object({
    contacts: choice('parts.relay.contacts', ['make', 'changeover'], 'make', {
      make: 'parts.relay.make',
      changeover: 'parts.relay.changeover',
    }),
    numbering: choice('parts.relay.numbering', ['din', 'oneToFive'], 'din', {
      din: 'parts.relay.din',
      oneToFive: 'parts.relay.oneToFive',
    }),
    suppression: choice('parts.relay.acrossTheCoil', ['none', 'resistor', 'diode'], 'resistor', {
      none: 'parts.relay.none',
      resistor: 'parts.relay.resistor',
      diode: 'parts.relay.diode',
    }),
    coilOhms: quantity('parts.relay.coil2', 'Ω', 5, 2000, 90),
    inductance: quantity('parts.relay.coilInductance', 'H', 0.01, 5, 0.3),
    suppressorOhms: quantity('parts.relay.resistorAcrossTheCoil', 'Ω', 50, 10000, 680),
    pullIn: quantity('parts.relay.pullsInAt20Degrees', 'V', 2, 40, 7.5),
    dropOut: quantity('parts.relay.dropsOutAt20Degrees', 'V', 0.3, 20, 2.5),
    contactOhms: quantity('parts.contactsClosed', 'Ω', 0, 1, 0.003),
    pinOhms: quantity('parts.relay.socketTerminal', 'Ω', 0, 1, 0.002),
  }),
  segments: [
    {
      key: 'pin86',
      name: say('parts.relay.socketTerminalOf', { n: '86' }),
      between: ['t86', 'c86'],
      faults: [...passive, 'missingPin'],
    },
    {
      key: 'coil',
      name: 'parts.relay.coil',
      between: ['c86', 'c85'],
      faults: ['open', 'shortedTurns', 'reversed'],
      inTime: { type: 'winding', henry: 'inductance' },
    },
    {
      key: 'pin85',
      name: say('parts.relay.socketTerminalOf', { n: '85' }),
      between: ['c85', 't85'],
      faults: [...passive, 'missingPin'],
    },
    {
      key: 'pin30',
      name: say('parts.relay.socketTerminalOf', { n: '30' }),
      between: ['t30', 'c30'],
      faults: [...passive, 'slack'],
    },
    {
      key: 'make',
      name: 'parts.relay.contacts3087',
      between: ['c30', 'c87'],
      faults: ['stuckOpen', 'burnt', 'welded', 'sticking'],
    },
    {
      key: 'pin87',
      name: say('parts.relay.socketTerminalOf', { n: '87' }),
      between: ['c87', 't87'],
      faults: [...passive, 'slack'],
    },
    {
      key: 'break',
      name: 'parts.relay.contacts3087a',
      between: ['c30', 'c87a'],
      faults: ['stuckOpen', 'burnt'],
    },
    {
      key: 'pin87a',
      name: say('parts.relay.socketTerminalOf', { n: '87a' }),
      between: ['c87a', 't87a'],
      faults: [],
    },
    {
      key: 'suppressor',
      name: 'parts.relay.suppressionAcrossTheCoil',
      between: ['c86', 'c85'],
      faults: ['open'],
    },
  ],
  detach: {
    verb: 'parts.pull',
    done: 'parts.pulled',
    opens: ['pin86', 'pin85', 'pin30', 'pin87', 'pin87a'],
    gap: ['t30', 't87'],
    comesOut: {
      segments: ['coil', 'suppressor', 'make', 'break'],
      pins: { t86: 'c86', t85: 'c85', t30: 'c30', t87: 'c87', t87a: 'c87a' },
    },
  },
  interchangeable: true,
  faces: () => relayFace,
  loads: ['coil'],
  bears: { segments: ['coil'], most: ({ pullIn }) => windingBears * ratedOver * pullIn },
  absent: ({ contacts }) => (contacts === 'make' ? ['t87a'] : []),
  benchPairs: [
    ['t86', 't85'],
    ['t30', 't87'],
    ['t30', 't87a'],
  ],
  coil: 'coil',
  modes: {
    // Its armature: some milliseconds (common practice, no source).
    travel: 0.006,
    rest: 'released',
    all: ['released', 'pulled'],
    next: ({ pullIn, dropOut, coilOhms }, { amps }, { mode, struck }) => {
      if (struck.has('sticking') && mode === 'pulled') return 'pulled'
      // The force follows from ampere-turns: thresholds are the current that flows at their volts and 20 °C.
      const at = Math.abs(amps('coil')) * coilOhms * turnsLeft(struck)
      return at >= pullIn ? 'pulled' : at <= dropOut ? 'released' : mode
    },
  },
  stamp: (parameters, net, { mode, temperature, struck }) => {
    const { coilOhms, pinOhms, contactOhms, contacts, suppression, suppressorOhms } = parameters
    const pin = Math.max(pinOhms, 1e-6)
    const contact = Math.max(contactOhms, 1e-6)
    net.contact('pin86', 't86', 'c86', pin)
    net.resistor('coil', 'c86', 'c85', coilOhms * (1 + copperCoefficient * (temperature - 20)), 0.08)
    net.contact('pin85', 'c85', 't85', pin)
    net.contact('pin30', 't30', 'c30', pin)
    if (mode === 'pulled') net.contact('make', 'c30', 'c87', contact)
    net.contact('pin87', 'c87', 't87', pin)
    if (contacts === 'changeover') {
      if (mode !== 'pulled' && !struck.has('welded')) net.contact('break', 'c30', 'c87a', contact)
      net.contact('pin87a', 'c87a', 't87a', pin)
    }
    if (suppression === 'resistor') net.resistor('suppressor', 'c86', 'c85', suppressorOhms, 0.1)
    if (suppression === 'diode') {
      // It points at the positive coil pin. Wired the wrong way round it conducts: nearly a short.
      const law = junctionLaw({ saturation: 1e-9, emission: 1.8, kelvin: temperature + 273.15 })
      const [anode, cathode] = struck.has('reversed') ? (['c86', 'c85'] as const) : (['c85', 'c86'] as const)
      net.resistor('suppressor', cathode, '#d', 0.04, 0.2)
      net.nonlinear('suppressor', anode, '#d', law, 0.05)
    }
  },
  notice: {
    segment: 'coil',
    complained: true,
    read: (_, __, { mode, inLimitCycle }) =>
      inLimitCycle ? notices.buzzes : mode === 'pulled' ? notices.clicks : notices.silent,
    all: Object.values(notices),
  },
  summary: ({ contacts, coilOhms, suppression }) =>
    say(contacts === 'make' ? 'parts.relay.fourPin' : 'parts.relay.fivePin', {
      ohms: { value: coilOhms, unit: '' },
      suppression,
    }),
})

/** Share of its turns that a coil with shorted ones still has: ohms fall with the turns. */
const turnsLeft = (struck: ReadonlyMap<string, number>): number => (struck.get('shortedTurns') ?? 100) / 100
