import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { say } from '../../document'
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
    what: say('handbook.moved', { part, load: stand.load }),
    value: change(stand, part),
    unit: 'V',
    part,
  }))
const enough = 0.2
const worst = (got: readonly Shown[]) =>
  [...got].sort((a, b) => Math.abs(b.value ?? 0) - Math.abs(a.value ?? 0))[0]

export const intermittent: Procedure = {
  key: 'intermittent',
  title: 'procedures.intermittent.title',
  words: ['comes and goes', 'wiggle', 'min max', 'heat', 'back-probe'],
  about: 'procedures.intermittent.about',
  when: 'procedures.intermittent.when',
  cautions: ['startsAnyway', 'hot'],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'record',
      do: 'procedures.intermittent.nothingIsUnpluggedLeadsBack',
      reads: (stand) => [
        {
          what: say('handbook.atLoad', { part: stand.load }),
          value: stand.volts(...stand.loadNodes),
          unit: 'V',
          part: stand.load,
        },
      ],
      outcomes: [
        {
          when: 'procedures.intermittent.minimumAndMaximumDifferOr',
          means: 'procedures.intermittent.onToMovingOneThing',
          next: { step: 'wiggle' },
        },
      ],
    },
    {
      key: 'wiggle',
      do: 'procedures.intermittent.oneConnectorOneLengthOf',
      reads: wiggle,
      outcomes: [
        {
          when: 'procedures.intermittent.theReadingMovesWithOne',
          means: 'procedures.intermittent.thereOnlyNowIsIt',
          is: (got) => Math.abs(worst(got)?.value ?? 0) > enough,
          next: { end: 'found', parts: (_, got) => [worst(got)?.part ?? ''], then: 'terminalCare' },
        },
        {
          when: 'procedures.intermittent.itMovesWithNone',
          means: 'procedures.intermittent.heatThenColdOnWhat',
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
