import { big, does, piecesOf, sideLoss, source, across } from '../measure'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { withKind } from './paths'

const starter = (stand: Stand) => stand.part('starter') ?? ''
const lamps = (stand: Stand): Shown[] =>
  (stand.readings()?.notices ?? [])
    .filter(({ part }) => part !== starter(stand))
    .map(({ part, text }) => ({
      what: say('shows', { part }),
      unit: 'V' as const,
      part,
      word: say('glow', { glow: text }),
    }))
const turns = (stand: Stand) => stand.does(starter(stand)) === stand.sound.does(starter(stand))
/** The way of the control, from the battery to terminal 50. */
const controlWay = (stand: Stand) => {
  const path = stand.circuit.paths.find(({ steps }) =>
    steps.some(({ part, enter }) => part === starter(stand) && enter === 't50'),
  )
  return stand.rowsOf(path?.id ?? '').filter(({ side }) => side === 'feed')
}
/** Volts at the starter’s switching terminal. */
const control = (stand: Stand): Shown => ({
  what: say('pointToMinus', { point: '50' }),
  value: stand.volts(stand.node(starter(stand), 't50'), stand.posts[1]),
  unit: 'V',
  part: starter(stand),
})
const heavy = (stand: Stand) => Math.abs(stand.balance?.amps ?? 0) > 50
/** A heavy joint that loses more than this while cranking is bad, V (common practice, no source). */
const joint = 0.2
const bad = (stand: Stand) =>
  [...stand.pieces('feed'), ...stand.pieces('return')].filter(
    (row) =>
      Math.abs(row.value ?? 0) > joint &&
      Math.abs(row.value ?? 0) > 1.5 * Math.abs(soundOf(stand, row.name, row.part)),
  )
const soundOf = (stand: Stand, name: string, part: string) =>
  [...stand.sound.pieces('feed'), ...stand.sound.pieces('return')].find(
    (r) => r.part === part && r.name === name,
  )?.value ?? 0

export const noCrank: Procedure = {
  key: 'noCrank',
  title: 'No crank: from the battery to the block',
  words: ['starter', 'stud', 'nut', 'eyelet', 'ground', 'solenoid', '50'],
  about:
    'Source first, then what the lamps do while somebody cranks, then the control, then the heavy way joint by joint: stud, nut and eyelet are three points.',
  when: 'The engine does not turn, or turns slowly.',
  cautions: ['batteries', 'startsAnyway', 'cranking', 'longLeads'],
  source: 'Common practice, no source; terminal 50 after DIN 72552',
  paths: withKind('starter'),
  steps: [
    {
      key: 'source',
      do: 'Park or neutral, parking brake, ignition disabled. Battery post to post while somebody cranks.',
      reads: (stand) => [source(stand), ...lamps(stand)],
      outcomes: [
        {
          when: 'Above 9.6 V; twice that at 24 V',
          means:
            'The battery holds, or nothing draws from it. Which of the two the lamps say: no change means that no heavy current flows.',
          is: ([volts], stand) => (volts?.value ?? 0) >= (9.6 / 12) * stand.nominal,
          next: { step: 'turns' },
        },
        {
          when: 'Below it',
          means:
            'Battery discharged or bad, or an engine that does not turn freely: charge and test it first.',
          next: { end: 'found', parts: (stand) => [stand.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'turns',
      do: 'Look and listen while it is cranked.',
      reads: (stand) => [does(stand, starter(stand))],
      outcomes: [
        {
          when: 'It cranks as it should',
          means: 'Nothing to look for here.',
          is: (_, stand) => turns(stand),
          next: { end: 'sound' },
        },
        {
          when: 'Silent, a click, or slow',
          means: 'Silent: the control way. A click or slow: the heavy way. The next reading tells.',
          next: { step: 'control' },
        },
      ],
    },
    {
      key: 'control',
      do: 'Volts at the starter’s terminal 50 while the key is in crank.',
      reads: (stand) => [control(stand)],
      outcomes: [
        {
          when: 'Nearly the battery’s',
          means: 'The control works: the heavy way, or the starter.',
          is: ([volts], stand) => Math.abs(volts?.value ?? 0) > (8 / 12) * stand.nominal,
          next: { step: 'sides' },
        },
        {
          when: 'None, or far less',
          means:
            'Fuse, key, inhibitor or clutch switch, relay, their wires: an open, or a joint that does not carry the solenoid’s tens of amps.',
          next: { step: 'controlWay' },
        },
      ],
    },
    {
      key: 'controlWay',
      do: 'Point by point along the control way, key in crank.',
      reads: (stand) => controlWay(stand).map(across),
      outcomes: [
        {
          when: 'One piece has the volts',
          means: 'That one. Interlocks are pieces like all others.',
          next: {
            end: 'found',
            parts: (stand) => {
              const [first] = [...controlWay(stand)].sort(
                (a, b) => Math.abs(b.value ?? 0) - Math.abs(a.value ?? 0),
              )
              return [first?.part ?? '']
            },
          },
        },
      ],
    },
    {
      key: 'sides',
      do: 'While it is cranked: battery + post to the starter’s stud, and starter’s housing to battery − post.',
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'One of them above 0.5 V, or the joints are in doubt',
          means: 'A joint or a cable of that side.',
          is: ([feed, back], stand) => big(feed, 0.5) || big(back, 0.5) || bad(stand).length > 0,
          next: { step: 'joints' },
        },
        {
          when: 'Both small and little current flows',
          means: 'The starter has its volts and does not use them.',
          is: (_, stand) => !heavy(stand),
          next: { end: 'found', parts: (stand) => [starter(stand)] },
        },
        {
          when: 'Both small and hundreds of amps flow',
          means: 'The starter or the engine is stiff.',
          next: { end: 'found', parts: (stand) => [starter(stand)] },
        },
      ],
    },
    {
      key: 'joints',
      do: 'Each joint by itself while it is cranked: post to clamp, clamp to cable, stud to nut, nut to eyelet. The lead on the stud itself, never on the eyelet when the stud is the question.',
      reads: (stand) => [...piecesOf(stand, 'feed'), ...piecesOf(stand, 'return')],
      outcomes: [
        {
          when: 'One has tenths of a volt or more',
          means: 'Strap off, clean it, tighten it to the maker’s torque, crank and measure again.',
          next: {
            end: 'found',
            parts: (stand) => [
              (stand.worst('feed') ?? stand.worst('return'))?.part ?? bad(stand)[0]?.part ?? '',
            ],
            then: 'proof',
          },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-starting',
    state: 'crank',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G9', segment: 'foot', severity: 0.018 }],
  },
}
