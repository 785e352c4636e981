import { big, does, sideLoss } from '../measure'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Side, Stand } from '../stand'
import { loaded } from './paths'

const watts = (stand: Stand) => (stand.nominal === 24 ? 70 : 55)
/** What a side loses while a known load hangs where the circuit's own was. */
const under = (stand: Stand, side: Side): Shown => ({
  what: say('known', {
    side: say(side === 'feed' ? 'feed' : 'back'),
    watts: { value: watts(stand), unit: 'W' },
  }),
  value: stand.lostUnderKnown(side, watts(stand)),
  unit: 'V',
})

export const substitute: Procedure = {
  key: 'substitute',
  title: 'A known load in place of the circuit’s own',
  words: ['substitute load', 'load lamp', 'weak load', 'small drop'],
  about:
    'A load that is itself weak draws little, so a bad joint shows a drop that looks good. A lamp known to be good in its place asks of the wires what the load should.',
  when: 'The drops are small and the load is in doubt, or the load cannot be switched on.',
  cautions: ['noLoadIntoModules', 'hot'],
  source: 'Common practice, no source',
  paths: loaded,
  steps: [
    {
      key: 'own',
      do: 'Circuit on, its own load: loss of feed and return, and what the load does.',
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return'), does(stand)],
      outcomes: [
        {
          when: 'A side is over its limit already',
          means: 'No substitute is needed to see it.',
          is: ([feed, back], stand) => big(feed, stand.most('feed')) || big(back, stand.most('return')),
          next: { step: 'known' },
        },
        {
          when: 'Both within their limits',
          means: 'Good wires, or a load that draws too little to tell. The known load decides.',
          next: { step: 'known' },
        },
      ],
    },
    {
      key: 'known',
      do: 'Load unplugged; a lamp of about 55 W (70 W at 24 V) at its plug, three to five seconds. The same two drops.',
      reads: (stand) => [under(stand, 'feed'), under(stand, 'return')],
      outcomes: [
        {
          when: 'Over the limit now',
          means: 'The wires do not carry what they should. Point by point, with the lamp on.',
          is: ([feed, back], stand) => beyond(stand, feed, 'feed') || beyond(stand, back, 'return'),
          next: {
            end: 'found',
            parts: (stand) =>
              (beyond(stand, under(stand, 'feed'), 'feed')
                ? stand.pieces('feed')
                : stand.pieces('return')
              ).map(({ part }) => part),
            then: 'pointByPoint',
          },
        },
        {
          when: 'Within the limit',
          means: 'Feed and return carry a known load. If the circuit’s own works badly, it is the load.',
          is: (_, stand) => stand.does() === stand.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'Within the limit, and the circuit’s own load works badly',
          means: 'The load.',
          next: { end: 'found', parts: (stand) => [stand.load] },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-heated-step',
    state: 'on',
    path: '',
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.3 }],
  },
}

/** Over what the side may lose, and over what a sound one loses under the same lamp. */
const beyond = (stand: Stand, shown: Shown | undefined, side: Side) =>
  big(shown, Math.max(stand.most(side), 1.5 * (stand.sound.lostUnderKnown(side, watts(stand)) ?? 0)))
