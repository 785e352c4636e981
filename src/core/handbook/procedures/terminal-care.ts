import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { across } from '../measure'
import { say } from '../phrases'
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
    what: say('drag', { part }),
    unit: 'V' as const,
    part,
    word: say(stand.slack(part) ? 'falls' : 'drags'),
  }))

export const terminalCare: Procedure = {
  key: 'terminalCare',
  title: 'Terminals: back-probe, remove, tension, drag test',
  words: ['terminal', 'pin', 'tension', 'spread', 'back-probe', 'drag'],
  about:
    'A female terminal that has been spread holds its pin by luck. A pin of the right gauge drawn through it has to drag.',
  when: 'A connector is in doubt: after a wiggle test, after somebody probed it from the front.',
  cautions: [],
  source: 'Common practice, no source; tools and pull-out force: the maker’s',
  paths: (circuit) => loaded(circuit),
  steps: [
    {
      key: 'probe',
      do: 'From behind, along the wire through its seal, with a probe as thin as the seal allows: never from the front, never through the insulation. The connector’s own drop, circuit on.',
      reads: drops,
      outcomes: [
        {
          when: 'A few tens of millivolts at most',
          means: 'It passes its current now. Whether it grips is another question.',
          next: { step: 'drag' },
        },
      ],
    },
    {
      key: 'drag',
      do: 'Unplugged. A loose pin of the right gauge, drawn through every female terminal.',
      reads: drags,
      outcomes: [
        {
          when: 'It drags in all of them',
          means: 'The terminals grip.',
          is: (_, stand) => plugs(stand).every((part) => !stand.slack(part)),
          next: { end: 'sound' },
        },
        {
          when: 'It falls out of one',
          means:
            'Secondary lock out, terminal out with the tool that is made for it; tension it lightly, or better replace it; drag test again; lock back in and pull at the wire.',
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
