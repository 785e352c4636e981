import { big, does, sideLoss } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { Side, WorkedCircuit } from '../worked-circuit'
import { loaded } from './paths'

const watts = (worked: WorkedCircuit) => (worked.nominal === 24 ? 70 : 55)
/** What a side loses while a known load hangs where the circuit's own was. */
const under = (worked: WorkedCircuit, side: Side): Shown => ({
  what: say('handbook.known', {
    side: say(side === 'feed' ? 'handbook.feed' : 'handbook.back'),
    watts: { value: watts(worked), unit: 'W' },
  }),
  value: worked.lostUnderKnown(side, watts(worked)),
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
      reads: (worked) => [sideLoss(worked, 'feed'), sideLoss(worked, 'return'), does(worked)],
      outcomes: [
        {
          when: 'procedures.substitute.aSideIsOverIts',
          means: 'procedures.substitute.noSubstituteIsNeededTo',
          is: ([feed, back], worked) => big(feed, worked.most('feed')) || big(back, worked.most('return')),
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
      reads: (worked) => [under(worked, 'feed'), under(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.substitute.overTheLimitNow',
          means: 'procedures.substitute.theWiresDoNotCarry',
          is: ([feed, back], worked) => beyond(worked, feed, 'feed') || beyond(worked, back, 'return'),
          next: {
            end: 'found',
            parts: (worked) =>
              (beyond(worked, under(worked, 'feed'), 'feed')
                ? worked.pieces('feed')
                : worked.pieces('return')
              ).map(({ part }) => part),
            then: 'pointByPoint',
          },
        },
        {
          when: 'procedures.substitute.withinTheLimit',
          means: 'procedures.substitute.feedAndReturnCarryA',
          is: (_, worked) => worked.does() === worked.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.substitute.withinTheLimitAndThe',
          means: 'procedures.substitute.theLoad',
          next: { end: 'found', parts: (worked) => [worked.load] },
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
const beyond = (worked: WorkedCircuit, shown: Shown | undefined, side: Side) =>
  big(shown, Math.max(worked.most(side), 1.5 * (worked.sound.lostUnderKnown(side, watts(worked)) ?? 0)))
