import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { across } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { loaded } from './paths'

const plugs = (worked: WorkedCircuit): string[] =>
  [...new Set(worked.walk.strides.map(({ part }) => part))].filter((id) => {
    const part = findPart(worked.circuit, id)
    return part && partOfKind(part.kind).role === 'connection' && partOfKind(part.kind).detach
  })
const drops = (worked: WorkedCircuit): Shown[] =>
  [...worked.pieces('feed'), ...worked.pieces('return')]
    .filter(({ part }) => plugs(worked).includes(part))
    .map(across)
const drags = (worked: WorkedCircuit): Shown[] =>
  plugs(worked).map((part) => ({
    what: say('handbook.drag', { part }),
    unit: 'V' as const,
    part,
    word: say(worked.slack(part) ? 'handbook.falls' : 'handbook.drags'),
  }))

export const terminalCare: Procedure = {
  key: 'terminalCare',
  title: 'procedures.terminalCare.title',
  words: ['terminal', 'pin', 'tension', 'spread', 'back-probe', 'drag'],
  about: 'procedures.terminalCare.about',
  when: 'procedures.terminalCare.when',
  cautions: [],
  source: 'procedures.terminalCare.source',
  paths: (circuit) => loaded(circuit),
  steps: [
    {
      key: 'probe',
      do: 'procedures.terminalCare.fromBehindAlongTheWire',
      reads: drops,
      outcomes: [
        {
          when: 'procedures.terminalCare.aFewTensOfMillivolts',
          means: 'procedures.terminalCare.itPassesItsCurrentNow',
          next: { step: 'drag' },
        },
      ],
    },
    {
      key: 'drag',
      do: 'procedures.terminalCare.unpluggedALoosePinOf',
      reads: drags,
      outcomes: [
        {
          when: 'procedures.terminalCare.itDragsInAllOf',
          means: 'procedures.terminalCare.theTerminalsGrip',
          is: (_, worked) => plugs(worked).every((part) => !worked.slack(part)),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.terminalCare.itFallsOutOfOne',
          means: 'procedures.terminalCare.secondaryLockOutTerminalOut',
          next: {
            end: 'found',
            parts: (worked) => plugs(worked).filter((part) => worked.slack(part)),
            then: 'proof',
          },
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
