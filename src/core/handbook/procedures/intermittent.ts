import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { loaded } from './paths'

/** Parts of the path that somebody can move: connectors, splices, bolted joints, wires. */
const movable = (worked: WorkedCircuit): string[] =>
  [...new Set(worked.walk.strides.filter(({ side }) => side !== 'load').map(({ part }) => part))].filter(
    (id) => {
      const part = findPart(worked.circuit, id)
      const role = part && partOfKind(part.kind).role
      return role === 'connection' || role === 'conductor'
    },
  )

/** Volts at the load while everything is still, less those while the part is moved. */
const change = (worked: WorkedCircuit, part: string): number => {
  const [feed, back] = worked.loadNodes
  const still = worked.volts(feed, back) ?? 0
  const moved = worked.volts(feed, back, { wiggled: [part] }) ?? 0
  return still - moved
}
const wiggle = (worked: WorkedCircuit): Shown[] =>
  movable(worked).map((part) => ({
    what: say('handbook.moved', { part, load: worked.load }),
    value: change(worked, part),
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
      reads: (worked) => [
        {
          what: say('handbook.atLoad', { part: worked.load }),
          value: worked.volts(...worked.loadNodes),
          unit: 'V',
          part: worked.load,
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
