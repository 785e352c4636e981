import { walkPaths } from '../../model'
import { partOfKind, type AnyPart } from '../../parts'
import { say, messageOf, verbatim, type Message } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { firstPart, isAbout, pathsWith } from './paths'

/** Its coil can be tried by itself. */
export const isRelay = ({ coil }: AnyPart): boolean => coil !== undefined

/** The relay that the path runs through, or the first of the circuit. */
export const relayOf = (worked: WorkedCircuit): string =>
  worked.walk.strides.find(({ part }) => isAbout(worked.circuit, part, 'relaySocket'))?.part ??
  firstPart(worked.circuit, isRelay) ??
  ''

const socket = (worked: WorkedCircuit, terminal: string) => worked.node(relayOf(worked), terminal)
const nameOf = (worked: WorkedCircuit, terminal: string) =>
  worked.wiring.points.find(({ node }) => node === socket(worked, terminal))?.name ?? terminal
const pulled = (worked: WorkedCircuit) => ({
  detached: [...new Set([...worked.state.detached, relayOf(worked)])],
})

const supply = (worked: WorkedCircuit, terminal: string): Shown => ({
  what: say('handbook.pointToMinus', { point: nameOf(worked, terminal) }),
  value: worked.volts(socket(worked, terminal), worked.posts[1], pulled(worked)),
  unit: 'V',
  part: relayOf(worked),
})

/** Ohms from a socket terminal to battery −, with everything that feeds it off. */
const toGround = (
  worked: WorkedCircuit,
  terminal: string,
  controls: Readonly<Record<string, string>>,
): Shown => ({
  what: say('handbook.ohmsOf', { what: `${nameOf(worked, terminal)} – −` }),
  value: worked.ohms(socket(worked, terminal), worked.posts[1], {
    ...pulled(worked),
    controls: { ...controls },
  }),
  unit: 'Ω',
  part: relayOf(worked),
})

const rested = (worked: WorkedCircuit) =>
  Object.fromEntries(
    worked.circuit.parts.flatMap(({ id, kind }) => {
      const [first] = partOfKind(kind).positions ?? []
      return first === undefined ? [] : [[id, first]]
    }),
  )

const live = (worked: WorkedCircuit, shown: Shown | undefined) =>
  Math.abs(shown?.value ?? 0) > 0.85 * worked.nominal
const most = 40

/** The parts that hang on a terminal of the relay: which of its four ways a bad reading is about. */
const wayOf = (worked: WorkedCircuit, terminal: string): string[] => {
  const relay = relayOf(worked)
  const at = socket(worked, terminal)
  const found = new Set<string>()
  for (const { strides } of walkPaths(worked.circuit)) {
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
  paths: pathsWith(isRelay),
  steps: [
    {
      key: 'thirty',
      do: 'procedures.relaySocket.relayOutCircuitSwitchedOn',
      reads: (worked) => [supply(worked, 't30')],
      outcomes: [
        {
          when: 'procedures.relaySocket.systemVolts',
          means: 'procedures.relaySocket.theContactsAreSuppliedA',
          is: ([volts], worked) => live(worked, volts),
          next: { step: 'eightysix' },
        },
        {
          when: 'procedures.relaySocket.noneOrClearlyLess',
          means: 'procedures.relaySocket.theWayFromTheBattery',
          next: { end: 'found', parts: (worked) => wayOf(worked, 't30') },
        },
      ],
    },
    {
      key: 'eightysix',
      do: 'procedures.relaySocket.voltsAtTheCoilPin',
      reads: (worked) => [supply(worked, 't86')],
      outcomes: [
        {
          when: 'procedures.relaySocket.systemVolts',
          means: 'procedures.relaySocket.theCoilIsSupplied',
          is: ([volts], worked) => live(worked, volts),
          next: { step: 'eightyseven' },
        },
        {
          when: 'procedures.relaySocket.none',
          means: 'procedures.relaySocket.theWayToTheCoil',
          next: { end: 'found', parts: (worked) => wayOf(worked, 't86') },
        },
      ],
    },
    {
      key: 'eightyseven',
      do: 'procedures.relaySocket.nothingIsLiveAt87',
      reads: (worked) => [toGround(worked, 't87', rested(worked))],
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
          next: { end: 'found', parts: (worked) => wayOf(worked, 't87') },
        },
      ],
    },
    {
      key: 'eightyfive',
      do: 'procedures.relaySocket.ohmsFrom85ToBattery',
      reads: (worked) => [
        toGround(worked, 't85', rested(worked)),
        toGround(worked, 't85', worked.state.controls),
      ],
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
          next: { end: 'found', parts: (worked) => wayOf(worked, 't85') },
        },
      ],
    },
    {
      key: 'relay',
      do: 'procedures.relaySocket.relayBackInSwitchedOn',
      reads: (worked) => [
        {
          what: say('handbook.shows', { part: relayOf(worked) }),
          unit: 'V',
          word: say('handbook.glow', { glow: heard(worked, relayOf(worked)) }),
        },
        {
          what: say('handbook.shows', { part: worked.load }),
          unit: 'V',
          word: say('handbook.glow', { glow: heard(worked, worked.load) }),
        },
      ],
      outcomes: [
        {
          when: 'procedures.relaySocket.itClicksAndTheLoad',
          means: 'procedures.theCircuitIsGood',
          is: (_, worked) =>
            worked.does() === worked.sound.does() &&
            worked.does(relayOf(worked)) === worked.sound.does(relayOf(worked)),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.relaySocket.itDoesNotClickOr',
          means: 'procedures.relaySocket.theRelayOrATerminal',
          next: { end: 'found', parts: (worked) => [relayOf(worked)], then: 'relayFour' },
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

const heard = (worked: WorkedCircuit, part: string): Message =>
  messageOf(worked.readings()?.notices.find((n) => n.part === part)?.text ?? verbatim('–'))
