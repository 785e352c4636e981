import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { pathsWith } from './paths'
import { isRelay, relayOf } from './relay-socket'

const coil = (worked: WorkedCircuit): Shown => ({
  what: say('handbook.coil', { part: relayOf(worked) }),
  value: worked.isolated(relayOf(worked))[0]?.ohms.value,
  unit: 'Ω',
  part: relayOf(worked),
})
/** Drop between two terminals of the relay in its socket. */
const between = (worked: WorkedCircuit, from: '30' | '86', to: '87' | '85'): Shown => {
  const relay = relayOf(worked)
  return {
    what: say('handbook.piece', { from, to, name: relay }),
    value: worked.volts(worked.node(relay, `t${from}`), worked.node(relay, `t${to}`)),
    unit: 'V',
    part: relay,
  }
}
const contacts = (worked: WorkedCircuit) => between(worked, '30', '87')
const coilVolts = (worked: WorkedCircuit) => between(worked, '86', '85')
const passing = 0.25

export const relayFour: Procedure = {
  key: 'relayFour',
  title: 'procedures.relayFour.title',
  words: ['relay', 'swap', 'nine volts', 'by hand', 'coil ohms', 'contacts'],
  about: 'procedures.relayFour.about',
  when: 'procedures.relayFour.when',
  cautions: ['fuseJumpers', 'startsAnyway'],
  source: 'procedures.commonPracticeNoSource',
  paths: pathsWith(isRelay),
  steps: [
    {
      key: 'coilVolts',
      do: 'procedures.relayFour.inItsSocketSwitchedOn',
      reads: (worked) => [coilVolts(worked)],
      outcomes: [
        {
          when: 'procedures.nearlyTheSource',
          means: 'procedures.relayFour.theCoilHasAllIt',
          is: ([volts], worked) => Math.abs(volts?.value ?? 0) > 0.7 * worked.nominal,
          next: { step: 'contacts' },
        },
        {
          when: 'procedures.relayFour.clearlyLessOrNone',
          means: 'procedures.relayFour.itIsNotTheRelay',
          next: { end: 'sound', then: 'relaySocket' },
        },
      ],
    },
    {
      key: 'contacts',
      do: 'procedures.relayFour.dropAcrossTheContacts30',
      reads: (worked) => [contacts(worked)],
      outcomes: [
        {
          when: 'procedures.relayFour.smallAndNotZeroUp',
          means: 'procedures.relayFour.theContactsPassWhatThey',
          is: ([volts], worked) =>
            Math.abs(volts?.value ?? 9) < passing && Math.abs(worked.balance?.amps ?? 0) > 1e-3,
          next: { end: 'sound' },
        },
        {
          when: 'procedures.relayFour.moreOrTheWholeSource',
          means: 'procedures.relayFour.contactsOrTheirTerminalsBurnt',
          next: { step: 'bench' },
        },
      ],
    },
    {
      key: 'bench',
      do: 'procedures.relayFour.outOfItsSocketOhms',
      reads: (worked) => [coil(worked)],
      outcomes: [
        {
          when: 'procedures.relayFour.about60To120Ohm',
          means: 'procedures.relayFour.theCoilIsGoodA',
          is: ([ohms]) => (ohms?.value ?? 1e9) < 1000,
          next: { step: 'swap' },
        },
        {
          when: 'procedures.relayFour.olOrNoClick',
          means: 'procedures.relayFour.theCoilIsOpen',
          next: { end: 'found', parts: (worked) => [relayOf(worked)] },
        },
      ],
    },
    {
      key: 'swap',
      do: 'procedures.relayFour.aRelayKnownToBe',
      outcomes: [
        {
          when: 'procedures.relayFour.theLoadWorksWithIt',
          means: 'procedures.relayFour.theRelayWasItA',
          next: { end: 'found', parts: (worked) => [relayOf(worked)], then: 'terminalCare' },
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
