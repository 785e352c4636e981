import { big, does, sideLoss } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { Side, Stand } from '../stand'
import { loaded } from './paths'

const watts = (stand: Stand) => (stand.nominal === 24 ? 70 : 55)
/** What a side loses while a known load hangs where the circuit's own was. */
const under = (stand: Stand, side: Side): Shown => ({
  what: say('handbook.known', {
    side: say(side === 'feed' ? 'handbook.feed' : 'handbook.back'),
    watts: { value: watts(stand), unit: 'W' },
  }),
  value: stand.lostUnderKnown(side, watts(stand)),
  unit: 'V',
})

export const substitute: Procedure = {
  key: 'substitute',
  title: 'procedures.substitute.title',
  words: ['substitute load', 'load lamp', 'weak load', 'small drop'],
  about: 'procedures.substitute.about',
  when: 'procedures.substitute.when',
  cautions: ['noLoadIntoModules', 'hot'],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'own',
      do: 'procedures.substitute.circuitOnItsOwnLoad',
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return'), does(stand)],
      outcomes: [
        {
          when: 'procedures.substitute.aSideIsOverIts',
          means: 'procedures.substitute.noSubstituteIsNeededTo',
          is: ([feed, back], stand) => big(feed, stand.most('feed')) || big(back, stand.most('return')),
          next: { step: 'known' },
        },
        {
          when: 'procedures.substitute.bothWithinTheirLimits',
          means: 'procedures.substitute.goodWiresOrALoad',
          next: { step: 'known' },
        },
      ],
    },
    {
      key: 'known',
      do: 'procedures.substitute.loadUnpluggedALampOf',
      reads: (stand) => [under(stand, 'feed'), under(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.substitute.overTheLimitNow',
          means: 'procedures.substitute.theWiresDoNotCarry',
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
          when: 'procedures.substitute.withinTheLimit',
          means: 'procedures.substitute.feedAndReturnCarryA',
          is: (_, stand) => stand.does() === stand.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.substitute.withinTheLimitAndThe',
          means: 'procedures.substitute.theLoad',
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
