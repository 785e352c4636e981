import { walkPaths } from '../../model'
import { partOfKind } from '../../parts'
import { say, messageOf, verbatim, type Message } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { isAbout, withKind } from './paths'

/** The relay that the path runs through, or the first of the circuit. */
export const relayOf = (stand: Stand): string =>
  stand.walk.strides.find(({ part }) => isAbout(stand.circuit, part, 'relaySocket'))?.part ??
  stand.part('relay') ??
  ''

const socket = (stand: Stand, terminal: string) => stand.node(relayOf(stand), terminal)
const nameOf = (stand: Stand, terminal: string) =>
  stand.wiring.points.find(({ node }) => node === socket(stand, terminal))?.name ?? terminal
const pulled = (stand: Stand) => ({ detached: [...new Set([...stand.state.detached, relayOf(stand)])] })

const supply = (stand: Stand, terminal: string): Shown => ({
  what: say('handbook.pointToMinus', { point: nameOf(stand, terminal) }),
  value: stand.volts(socket(stand, terminal), stand.posts[1], pulled(stand)),
  unit: 'V',
  part: relayOf(stand),
})

/** Ohms from a socket terminal to battery −, with everything that feeds it off. */
const toGround = (stand: Stand, terminal: string, controls: Readonly<Record<string, string>>): Shown => ({
  what: say('handbook.ohmsOf', { what: `${nameOf(stand, terminal)} – −` }),
  value: stand.ohms(socket(stand, terminal), stand.posts[1], {
    ...pulled(stand),
    controls: { ...controls },
  }),
  unit: 'Ω',
  part: relayOf(stand),
})

const rested = (stand: Stand) =>
  Object.fromEntries(
    stand.circuit.parts.flatMap(({ id, kind }) => {
      const [first] = partOfKind(kind).positions ?? []
      return first === undefined ? [] : [[id, first]]
    }),
  )

const live = (stand: Stand, shown: Shown | undefined) => Math.abs(shown?.value ?? 0) > 0.85 * stand.nominal
const most = 40

/** The parts that hang on a terminal of the relay: which of its four ways a bad reading is about. */
const wayOf = (stand: Stand, terminal: string): string[] => {
  const relay = relayOf(stand)
  const at = socket(stand, terminal)
  const found = new Set<string>()
  for (const { strides } of walkPaths(stand.circuit)) {
    const i = strides.findIndex(({ from, to }) => from.node === at || to.node === at)
    if (i < 0) continue
    const ahead = strides[i]!.part !== relay ? strides.slice(0, i + 1) : strides.slice(i)
    for (const { part } of ahead) if (part !== relay) found.add(part)
  }
  return [...found]
}

export const relaySocket: Procedure = {
  key: 'relaySocket',
  title: 'procedures.relaySocket.title',
  words: ['relay', '30', '85', '86', '87', 'socket'],
  about: 'procedures.relaySocket.about',
  when: 'procedures.relaySocket.when',
  cautions: ['disconnectBeforeOhms', 'startsAnyway'],
  source: 'procedures.relaySocket.source',
  paths: withKind('relay'),
  steps: [
    {
      key: 'thirty',
      do: 'procedures.relaySocket.relayOutCircuitSwitchedOn',
      reads: (stand) => [supply(stand, 't30')],
      outcomes: [
        {
          when: 'procedures.relaySocket.systemVolts',
          means: 'procedures.relaySocket.theContactsAreSuppliedA',
          is: ([volts], stand) => live(stand, volts),
          next: { step: 'eightysix' },
        },
        {
          when: 'procedures.relaySocket.noneOrClearlyLess',
          means: 'procedures.relaySocket.theWayFromTheBattery',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't30') },
        },
      ],
    },
    {
      key: 'eightysix',
      do: 'procedures.relaySocket.voltsAtTheCoilPin',
      reads: (stand) => [supply(stand, 't86')],
      outcomes: [
        {
          when: 'procedures.relaySocket.systemVolts',
          means: 'procedures.relaySocket.theCoilIsSupplied',
          is: ([volts], stand) => live(stand, volts),
          next: { step: 'eightyseven' },
        },
        {
          when: 'procedures.relaySocket.none',
          means: 'procedures.relaySocket.theWayToTheCoil',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't86') },
        },
      ],
    },
    {
      key: 'eightyseven',
      do: 'procedures.relaySocket.nothingIsLiveAt87',
      reads: (stand) => [toGround(stand, 't87', rested(stand))],
      outcomes: [
        {
          when: 'procedures.relaySocket.theLoadsFewOhms',
          means: 'procedures.relaySocket.loadItsWireAndIts',
          is: ([ohms]) => ohms?.value !== undefined && ohms.value < most,
          next: { step: 'eightyfive' },
        },
        {
          when: 'procedures.relaySocket.olOrFarMore',
          means: 'procedures.relaySocket.openFrom87ThroughThe',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't87') },
        },
      ],
    },
    {
      key: 'eightyfive',
      do: 'procedures.relaySocket.ohmsFrom85ToBattery',
      reads: (stand) => [toGround(stand, 't85', rested(stand)), toGround(stand, 't85', stand.state.controls)],
      outcomes: [
        {
          when: 'procedures.relaySocket.olThenAbout0',
          means: 'procedures.relaySocket.theControlWorksAllFour',
          is: ([, on]) => on?.value !== undefined && on.value < most,
          next: { step: 'relay' },
        },
        {
          when: 'procedures.relaySocket.olBothTimesOrNever',
          means: 'procedures.relaySocket.theControlSideItsSwitch',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't85') },
        },
      ],
    },
    {
      key: 'relay',
      do: 'procedures.relaySocket.relayBackInSwitchedOn',
      reads: (stand) => [
        {
          what: say('handbook.shows', { part: relayOf(stand) }),
          unit: 'V',
          word: say('handbook.glow', { glow: heard(stand, relayOf(stand)) }),
        },
        {
          what: say('handbook.shows', { part: stand.load }),
          unit: 'V',
          word: say('handbook.glow', { glow: heard(stand, stand.load) }),
        },
      ],
      outcomes: [
        {
          when: 'procedures.relaySocket.itClicksAndTheLoad',
          means: 'procedures.theCircuitIsGood',
          is: (_, stand) =>
            stand.does() === stand.sound.does() &&
            stand.does(relayOf(stand)) === stand.sound.does(relayOf(stand)),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.relaySocket.itDoesNotClickOr',
          means: 'procedures.relaySocket.theRelayOrATerminal',
          next: { end: 'found', parts: (stand) => [relayOf(stand)], then: 'relayFour' },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-cooling-fan',
    state: 'on',
    path: 'fan',
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
  },
}

const heard = (stand: Stand, part: string): Message =>
  messageOf(stand.readings()?.notices.find((n) => n.part === part)?.text ?? verbatim('–'))
