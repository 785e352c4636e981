import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { withKind } from './paths'
import { relayOf } from './relay-socket'

const coil = (stand: Stand): Shown => ({
  what: say('coil', { part: relayOf(stand) }),
  value: stand.isolated(relayOf(stand))[0]?.ohms.value,
  unit: 'Ω',
  part: relayOf(stand),
})
/** Drop between two terminals of the relay in its socket. */
const between = (stand: Stand, from: '30' | '86', to: '87' | '85'): Shown => {
  const relay = relayOf(stand)
  return {
    what: say('piece', { from, to, name: relay }),
    value: stand.volts(stand.node(relay, `t${from}`), stand.node(relay, `t${to}`)),
    unit: 'V',
    part: relay,
  }
}
const contacts = (stand: Stand) => between(stand, '30', '87')
const coilVolts = (stand: Stand) => between(stand, '86', '85')
const passing = 0.25

export const relayFour: Procedure = {
  key: 'relayFour',
  title: 'Four ways to test a relay',
  words: ['relay', 'swap', 'nine volts', 'by hand', 'coil ohms', 'contacts'],
  about:
    'Swap it, try it on the bench, measure it at its socket, or work its contacts by hand: which one proves what.',
  when: 'All four ways of the socket are good, or the relay is what one wants to know about.',
  cautions: ['fuseJumpers', 'startsAnyway'],
  source: 'Common practice, no source',
  paths: withKind('relay'),
  steps: [
    {
      key: 'coilVolts',
      do: 'In its socket, switched on: volts across the coil’s pins, from behind.',
      reads: (stand) => [coilVolts(stand)],
      outcomes: [
        {
          when: 'Nearly the source',
          means: 'The coil has all it needs: it has to click.',
          is: ([volts], stand) => Math.abs(volts?.value ?? 0) > 0.7 * stand.nominal,
          next: { step: 'contacts' },
        },
        {
          when: 'Clearly less, or none',
          means: 'It is not the relay: its coil is not worked. Take the socket’s four readings.',
          next: { end: 'sound', then: 'relaySocket' },
        },
      ],
    },
    {
      key: 'contacts',
      do: 'Drop across the contacts, 30 to 87, load running.',
      reads: (stand) => [contacts(stand)],
      outcomes: [
        {
          when: 'Small and not zero, up to 0.25 V under some amps',
          means:
            'The contacts pass what they should. The relay is good under its own load, which no other way proves.',
          is: ([volts], stand) =>
            Math.abs(volts?.value ?? 9) < passing && Math.abs(stand.balance?.amps ?? 0) > 1e-3,
          next: { end: 'sound' },
        },
        {
          when: 'More, or the whole source',
          means: 'Contacts or their terminals: burnt, stuck, or not pulled in. Out with it.',
          next: { step: 'bench' },
        },
      ],
    },
    {
      key: 'bench',
      do: 'Out of its socket: ohms of the coil; then nine volts on it (two such sources for 24 V), the right way round where a diode sits across it.',
      reads: (stand) => [coil(stand)],
      outcomes: [
        {
          when: 'About 60 to 120 Ω at 12 V, four times that at 24 V; it clicks',
          means:
            'The coil is good: a click says nothing about the contacts. Swap the relay, or bridge 30 and 87 with a fused jumper.',
          is: ([ohms]) => (ohms?.value ?? 1e9) < 1000,
          next: { step: 'swap' },
        },
        {
          when: 'OL, or no click',
          means: 'The coil is open.',
          next: { end: 'found', parts: (stand) => [relayOf(stand)] },
        },
      ],
    },
    {
      key: 'swap',
      do: 'A relay known to be good in its place, the same type and numbers: or 30 bridged to 87 with a jumper fused like the circuit.',
      outcomes: [
        {
          when: 'The load works with it',
          means: 'The relay was it. A swap also reseats the terminals: look at them before you say so.',
          next: { end: 'found', parts: (stand) => [relayOf(stand)], then: 'terminalCare' },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-cooling-fan',
    state: 'on',
    path: 'fan',
    faults: [{ kind: 'burnt', part: 'K1', segment: 'make', severity: 0.5 }],
  },
}
