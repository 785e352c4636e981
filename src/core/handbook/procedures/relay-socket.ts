import { walkPaths } from '../../model'
import { partOfKind } from '../../parts'
import { say } from '../phrases'
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
  what: say('pointToMinus', { point: nameOf(stand, terminal) }),
  value: stand.volts(socket(stand, terminal), stand.posts[1], pulled(stand)),
  unit: 'V',
  part: relayOf(stand),
})

/** Ohms from a socket terminal to battery −, with everything that feeds it off. */
const toGround = (stand: Stand, terminal: string, controls: Readonly<Record<string, string>>): Shown => ({
  what: say('ohmsOf', { what: `${nameOf(stand, terminal)} – −` }),
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
  title: 'A relay circuit from its socket',
  words: ['relay', '30', '85', '86', '87', 'socket'],
  about:
    'With the relay out, four readings at its socket prove all four ways that meet there: supply of the contacts, supply of the coil, the load, the control.',
  when: 'Something that a relay works is dead, and the relay can be reached.',
  cautions: ['disconnectBeforeOhms', 'startsAnyway'],
  source: 'Common practice, no source; terminal numbers DIN 72552',
  paths: withKind('relay'),
  steps: [
    {
      key: 'thirty',
      do: 'Relay out, circuit switched on. Volts at 30 to battery −.',
      reads: (stand) => [supply(stand, 't30')],
      outcomes: [
        {
          when: 'System volts',
          means: 'The contacts are supplied. A lamp of a few amps there proves that it carries.',
          is: ([volts], stand) => live(stand, volts),
          next: { step: 'eightysix' },
        },
        {
          when: 'None, or clearly less',
          means: 'The way from the battery to 30: fuse, wire, terminal.',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't30') },
        },
      ],
    },
    {
      key: 'eightysix',
      do: 'Volts at the coil pin that is supplied, 86 here.',
      reads: (stand) => [supply(stand, 't86')],
      outcomes: [
        {
          when: 'System volts',
          means: 'The coil is supplied.',
          is: ([volts], stand) => live(stand, volts),
          next: { step: 'eightyseven' },
        },
        {
          when: 'None',
          means: 'The way to the coil: its fuse, its switch, its wire.',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't86') },
        },
      ],
    },
    {
      key: 'eightyseven',
      do: 'Nothing is live at 87 now: ohms from 87 to battery −. They are those of the load and its ground.',
      reads: (stand) => [toGround(stand, 't87', rested(stand))],
      outcomes: [
        {
          when: 'The load’s few ohms',
          means: 'Load, its wire and its ground are whole. Ohms do not prove that they carry.',
          is: ([ohms]) => ohms?.value !== undefined && ohms.value < most,
          next: { step: 'eightyfive' },
        },
        {
          when: 'OL or far more',
          means: 'Open from 87 through the load to ground.',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't87') },
        },
      ],
    },
    {
      key: 'eightyfive',
      do: 'Ohms from 85 to battery −, with the control off, then on.',
      reads: (stand) => [toGround(stand, 't85', rested(stand)), toGround(stand, 't85', stand.state.controls)],
      outcomes: [
        {
          when: 'OL, then about 0',
          means: 'The control works. All four ways are proved: what is left is the relay and its socket.',
          is: ([, on]) => on?.value !== undefined && on.value < most,
          next: { step: 'relay' },
        },
        {
          when: 'OL both times, or never OL',
          means: 'The control side: its switch or module, its wire, its ground.',
          next: { end: 'found', parts: (stand) => wayOf(stand, 't85') },
        },
      ],
    },
    {
      key: 'relay',
      do: 'Relay back in, switched on: does it click, does the load work?',
      reads: (stand) => [
        {
          what: say('shows', { part: relayOf(stand) }),
          unit: 'V',
          word: say('glow', { glow: heard(stand, relayOf(stand)) }),
        },
        {
          what: say('shows', { part: stand.load }),
          unit: 'V',
          word: say('glow', { glow: heard(stand, stand.load) }),
        },
      ],
      outcomes: [
        {
          when: 'It clicks and the load works',
          means: 'The circuit is good.',
          is: (_, stand) =>
            stand.does() === stand.sound.does() &&
            stand.does(relayOf(stand)) === stand.sound.does(relayOf(stand)),
          next: { end: 'sound' },
        },
        {
          when: 'It does not click, or clicks and passes nothing',
          means: 'The relay, or a terminal of its socket that does not grip.',
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

const heard = (stand: Stand, part: string): string =>
  stand.readings()?.notices.find((n) => n.part === part)?.text ?? '–'
