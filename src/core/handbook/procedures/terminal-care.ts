import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { across } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { loaded } from './paths'

const plugs = (stand: Stand): string[] =>
  [...new Set(stand.walk.strides.map(({ part }) => part))].filter((id) => {
    const part = findPart(stand.circuit, id)
    return part && partOfKind(part.kind).role === 'connection' && partOfKind(part.kind).detach
  })
const drops = (stand: Stand): Shown[] =>
  [...stand.pieces('feed'), ...stand.pieces('return')]
    .filter(({ part }) => plugs(stand).includes(part))
    .map(across)
const drags = (stand: Stand): Shown[] =>
  plugs(stand).map((part) => ({
    what: say('handbook.drag', { part }),
    unit: 'V' as const,
    part,
    word: say(stand.slack(part) ? 'handbook.falls' : 'handbook.drags'),
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
          is: (_, stand) => plugs(stand).every((part) => !stand.slack(part)),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.terminalCare.itFallsOutOfOne',
          means: 'procedures.terminalCare.secondaryLockOutTerminalOut',
          next: {
            end: 'found',
            parts: (stand) => plugs(stand).filter((part) => stand.slack(part)),
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
