import { alone, big, piecesOf, sideLoss } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'
import type { Stand } from '../stand'

const worst = (stand: Stand) => stand.worst('feed') ?? stand.worst('return')
const candidate = (stand: Stand) => worst(stand)?.part ?? stand.pieces('feed').at(-1)?.part ?? ''

export const highResistance: Procedure = {
  key: 'highResistance',
  title: 'High resistance, by drop under load',
  words: ['ohms', 'corroded', 'strands', 'continuity passes'],
  about:
    'An ohmmeter sends a milliamp and calls a wire of three strands good. The drop under the circuit’s own load does not.',
  when: 'It works badly and every wire beeps.',
  cautions: ['disconnectBeforeOhms'],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'sides',
      do: 'Circuit on: the loss of the feed and the loss of the return.',
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'One of them is over its limit',
          means: 'Resistance where none should be, on that side.',
          is: ([feed, back], stand) => big(feed, stand.most('feed')) || big(back, stand.most('return')),
          next: { step: 'pieces' },
        },
        {
          when: 'Both are within their limits',
          means:
            'Under this load nothing resists. A load that draws too little would hide it: put a known one in its place.',
          next: { end: 'sound', then: 'substitute' },
        },
      ],
    },
    {
      key: 'pieces',
      do: 'The drop of each piece on that side, a lead at each of its ends.',
      reads: (stand) => piecesOf(stand, stand.worst('feed') ? 'feed' : 'return'),
      outcomes: [
        {
          when: 'One piece has most of it',
          means: 'That one.',
          is: (_, stand) => !!worst(stand),
          next: { step: 'ohms' },
        },
        {
          when: 'Each has a little more than it should',
          means: 'Wires too thin or too long for this load, or a load that draws too much: clamp it.',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'ohms',
      do: 'To see why ohms do not judge it: the same piece, isolated, on the ohmmeter.',
      reads: (stand) => alone(stand, candidate(stand)),
      outcomes: [
        {
          when: 'A few tenths of an ohm, which the leads alone may show; or more',
          means:
            'Whatever it shows without current: what it loses under load is what counts. Repair and prove.',
          next: { end: 'found', parts: (stand) => [candidate(stand)], then: 'proof' },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 0.4 }],
  },
}
