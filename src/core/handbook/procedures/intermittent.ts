import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { loaded } from './paths'

/** Parts of the path that somebody can move: connectors, splices, bolted joints, wires. */
const movable = (stand: Stand): string[] =>
  [...new Set(stand.walk.strides.filter(({ side }) => side !== 'load').map(({ part }) => part))].filter(
    (id) => {
      const part = findPart(stand.circuit, id)
      const role = part && partOfKind(part.kind).role
      return role === 'connection' || role === 'conductor'
    },
  )

/** Volts at the load while everything is still, less those while the part is moved. */
const change = (stand: Stand, part: string): number => {
  const [feed, back] = stand.loadNodes
  const still = stand.volts(feed, back) ?? 0
  const moved = stand.volts(feed, back, { wiggled: [part] }) ?? 0
  return still - moved
}
const wiggle = (stand: Stand): Shown[] =>
  movable(stand).map((part) => ({
    what: say('moved', { part, load: stand.load }),
    value: change(stand, part),
    unit: 'V',
    part,
  }))
const enough = 0.2
const worst = (got: readonly Shown[]) =>
  [...got].sort((a, b) => Math.abs(b.value ?? 0) - Math.abs(a.value ?? 0))[0]

export const intermittent: Procedure = {
  key: 'intermittent',
  title: 'Intermittents: least disturbance, wiggle, heat',
  words: ['comes and goes', 'wiggle', 'min max', 'heat', 'back-probe'],
  about:
    'Reseat a connector and the fault is gone, unproved. So: look first, back-probe, record, and only then move one thing at a time.',
  when: 'The complaint cannot be reproduced, or comes with bumps, warmth or wet.',
  cautions: ['startsAnyway', 'hot'],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'record',
      do: 'Nothing is unplugged. Leads back-probed at the load, circuit on, meter on minimum and maximum, then the complaint’s conditions: drive, warm, wet.',
      reads: (stand) => [
        {
          what: say('atLoad', { part: stand.load }),
          value: stand.volts(...stand.loadNodes),
          unit: 'V',
          part: stand.load,
        },
      ],
      outcomes: [
        {
          when: 'Minimum and maximum differ, or nothing yet',
          means: 'On to moving one thing at a time.',
          next: { step: 'wiggle' },
        },
      ],
    },
    {
      key: 'wiggle',
      do: 'One connector, one length of harness, one joint at a time: pushed, pulled, bent lightly, from the load towards the battery. Minimum and maximum read after each.',
      reads: wiggle,
      outcomes: [
        {
          when: 'The reading moves with one of them',
          means:
            'There. Only now is it opened: a slack female terminal, a pin that has backed out, a broken strand under its insulation.',
          is: (got) => Math.abs(worst(got)?.value ?? 0) > enough,
          next: { end: 'found', parts: (_, got) => [worst(got)?.part ?? ''], then: 'terminalCare' },
        },
        {
          when: 'It moves with none',
          means:
            'Heat, then cold, on what is in doubt (a hot-air gun at arm’s length; nothing that melts). Else it stays recorded and is watched.',
          next: { end: 'sound' },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'slack', part: 'X1', segment: 'pin', severity: 5 }],
  },
}
