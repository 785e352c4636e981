import { does, piecesOf, sideLoss, big } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const proof: Procedure = {
  key: 'proof',
  title: 'Proving a repair',
  words: ['verify', 'repeat', 'done'],
  about:
    'The test that failed is repeated under the same load in the same state; then the complaint is tried.',
  when: 'After every repair, and before the tools are put away.',
  cautions: [],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'again',
      do: 'The same reading at the same points, in the same state, under the same load as when it failed.',
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'Both losses within their limits, and not zero',
          means: 'The piece is repaired.',
          is: ([feed, back], stand) =>
            !big(feed, stand.most('feed')) &&
            !big(back, stand.most('return')) &&
            Math.abs(stand.balance?.amps ?? 0) > 1e-3,
          next: { step: 'complaint' },
        },
        {
          when: 'Still over, or zero because nothing flows',
          means: 'It is not repaired, or there is a second fault.',
          next: { step: 'where' },
        },
      ],
    },
    {
      key: 'where',
      do: 'The pieces of both sides once more.',
      reads: (stand) => [...piecesOf(stand, 'feed'), ...piecesOf(stand, 'return')],
      outcomes: [
        {
          when: 'One stands out',
          means: 'Go on from there.',
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (stand) => [(stand.worst('feed') ?? stand.worst('return'))?.part ?? ''],
          },
        },
      ],
    },
    {
      key: 'complaint',
      do: 'What the customer said, tried as they would: every state in which it was wrong.',
      reads: (stand) => [does(stand)],
      outcomes: [
        {
          when: 'As it should be',
          means: 'Proved. Write down the reading before and after.',
          is: (_, stand) => stand.does() === stand.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'Not yet',
          means: 'Good volts and a bad load: the load.',
          next: { end: 'found', parts: (stand) => [stand.load] },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-washer-pump',
    state: 'wash',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.8 }],
  },
}
