import { outward, piecesOf, sideLoss, big } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const pointByPoint: Procedure = {
  key: 'pointByPoint',
  title: 'Point by point along a path',
  words: ['step', 'cumulative', 'riser', 'connector'],
  about:
    'One lead stays on the battery’s post, the other goes outward along the path. Readings only grow; where they jump, the loss is between the last two points.',
  when: 'The side is known and the piece is not.',
  cautions: ['batteries'],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'feed',
      do: 'Circuit on. Red on the positive post; black outward along the feed, a point at a time, up to the load.',
      reads: (stand) => outward(stand, 'feed'),
      outcomes: [
        {
          when: 'One step is far larger than its neighbours',
          means: 'The loss sits between those two points.',
          is: (_, stand) => big(sideLoss(stand, 'feed'), stand.most('feed')) && !!stand.worst('feed'),
          next: { step: 'feedPiece' },
        },
        {
          when: 'It grows by little, up to a total within the limit',
          means: 'Contacts and the longest wire are the larger steps of a sound feed too. The feed is good.',
          next: { step: 'return' },
        },
      ],
    },
    {
      key: 'feedPiece',
      do: 'One lead on each side of that piece: its drop alone.',
      reads: (stand) => piecesOf(stand, 'feed'),
      outcomes: [
        {
          when: 'The jump is there again',
          means: 'That piece. Open it, look, repair, and take the same reading once more.',
          next: { end: 'found', parts: (stand) => [stand.worst('feed')?.part ?? ''], then: 'proof' },
        },
      ],
    },
    {
      key: 'return',
      do: 'Black on the negative post; red outward along the return, from the ground point to the load.',
      reads: (stand) => outward(stand, 'return'),
      outcomes: [
        {
          when: 'One step is far larger than its neighbours',
          means:
            'The loss sits between those two points: eyelet, nut and stud, and sheet metal are points of their own.',
          is: (_, stand) => !!stand.worst('return'),
          next: { step: 'returnPiece' },
        },
        {
          when: 'It grows by little, up to a total within the limit',
          means: 'Feed and return are good. What works badly then is the load.',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'returnPiece',
      do: 'One lead on each side of that piece: its drop alone.',
      reads: (stand) => piecesOf(stand, 'return'),
      outcomes: [
        {
          when: 'The jump is there again',
          means: 'That piece. Clean it, tighten it, and take the same reading once more.',
          next: { end: 'found', parts: (stand) => [stand.worst('return')?.part ?? ''], then: 'proof' },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.5 }],
  },
}
