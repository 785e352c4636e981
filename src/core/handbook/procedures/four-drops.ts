import { available, big, does, source, sideLoss } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const fourDrops: Procedure = {
  key: 'fourDrops',
  title: 'Voltage drop in four measurements',
  words: ['source', 'available', 'feed', 'return', 'loss', 'Kirchhoff'],
  about:
    'Source, available voltage, loss of the feed, loss of the return: four readings with the circuit running say on which side the volts are lost.',
  when: 'The load works, but badly: dim, slow, weak. It is the shortest way to a side.',
  cautions: ['batteries'],
  source: 'Common practice, no source; the sum closes after Kirchhoff',
  paths: loaded,
  steps: [
    {
      key: 'verify',
      do: 'Switch the circuit on and verify the complaint. What draws nothing loses nothing: all four readings are taken while it runs.',
      reads: (stand) => [does(stand)],
      outcomes: [
        {
          when: 'It works, well or badly',
          means: 'Current flows: losses can be read.',
          is: (_, stand) => (stand.balance?.amps ?? 0) > 1e-3,
          next: { step: 'source' },
        },
        {
          when: 'It does nothing at all',
          means:
            'Without current every good piece reads zero and the open one reads the source: look for an open.',
          next: { end: 'found', then: 'openByHalves' },
        },
      ],
    },
    {
      key: 'source',
      do: 'Red on the battery’s positive post, black on its negative post, on the posts and not on the clamps.',
      reads: (stand) => [source(stand)],
      outcomes: [
        {
          when: 'Battery at rest 12.4 V or more, charging 13.5 to 14.6 V; twice that at 24 V',
          means: 'The source is good enough to judge the circuit by.',
          is: ([volts], stand) => (volts?.value ?? 0) > (11.5 / 12) * stand.nominal,
          next: { step: 'load' },
        },
        {
          when: 'Less',
          means: 'Charge or test the battery first: everything behind it is weak because it is.',
          next: { end: 'found', parts: (stand) => [stand.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'load',
      do: 'Both leads at the load, terminal to terminal, its plug on: back-probe.',
      reads: (stand) => [available(stand)],
      outcomes: [
        {
          when: 'Nearly the source',
          means: 'All volts reach the load. If it works badly all the same, it is the load.',
          is: (_, stand) =>
            (stand.lost('feed') ?? 9) <= stand.most('feed') &&
            (stand.lost('return') ?? 9) <= stand.most('return'),
          next: { step: 'same' },
        },
        {
          when: 'Clearly less',
          means: 'The difference is lost on the way: the next two readings say where.',
          next: { step: 'feed' },
        },
      ],
    },
    {
      key: 'same',
      do: 'Compare what it does with what it should do.',
      reads: (stand) => [does(stand)],
      outcomes: [
        {
          when: 'It works as it should',
          means: 'The circuit is good.',
          is: (_, stand) => stand.does() === stand.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'It does not, with full volts at its terminals',
          means: 'Feed and return are proved: the load has failed.',
          next: { end: 'found', parts: (stand) => [stand.load] },
        },
      ],
    },
    {
      key: 'feed',
      do: 'Red on the battery’s positive post, black on the load’s feed terminal, circuit on.',
      reads: (stand) => [sideLoss(stand, 'feed')],
      outcomes: [
        {
          when: 'More than the limit of the feed',
          means: 'The feed loses it. Go point by point along the feed.',
          is: (got, stand) => big(got[0], stand.most('feed')),
          next: { step: 'bothSides' },
        },
        {
          when: 'Within the limit, and not zero',
          means: 'The feed is good: a small loss that is not zero proves that current flows.',
          next: { step: 'return' },
        },
      ],
    },
    {
      key: 'bothSides',
      do: 'Before you follow the feed: the return as well, from the load’s return terminal to the negative post.',
      reads: (stand) => [sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'Over its limit too',
          means: 'Two faults, or one place that both share. Take the greater first.',
          is: (got, stand) => big(got[0], stand.most('return')),
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (stand) => [...stand.pieces('feed'), ...stand.pieces('return')].map(({ part }) => part),
          },
        },
        {
          when: 'Within its limit',
          means: 'The fault is on the feed side.',
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (stand) => stand.pieces('feed').map(({ part }) => part),
          },
        },
      ],
    },
    {
      key: 'return',
      do: 'Red on the load’s return terminal, black on the battery’s negative post, circuit on.',
      reads: (stand) => [sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'More than the limit of the return',
          means: 'The return loses it: grounds and their bolts first.',
          is: (got, stand) => big(got[0], stand.most('return')),
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (stand) => stand.pieces('return').map(({ part }) => part),
          },
        },
        {
          when: 'Within its limit',
          means:
            'Source, feed, load and return have to add up: if they do not, one reading was taken in another state. Take all four again.',
          next: { end: 'sound' },
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
