import { outward, piecesOf, sideLoss, big } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const pointByPoint: Procedure = {
  key: 'pointByPoint',
  title: 'procedures.pointByPoint.title',
  words: ['step', 'cumulative', 'riser', 'connector'],
  about: 'procedures.pointByPoint.about',
  when: 'procedures.pointByPoint.when',
  cautions: ['batteries'],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'feed',
      do: 'procedures.pointByPoint.circuitOnRedOnThe',
      reads: (worked) => outward(worked, 'feed'),
      outcomes: [
        {
          when: 'procedures.pointByPoint.oneStepIsFarLarger',
          means: 'procedures.pointByPoint.theLossSitsBetweenThose',
          is: (_, worked) => big(sideLoss(worked, 'feed'), worked.most('feed')) && !!worked.worst('feed'),
          next: { step: 'feedPiece' },
        },
        {
          when: 'procedures.pointByPoint.itGrowsByLittleUp',
          means: 'procedures.pointByPoint.contactsAndTheLongestWire',
          next: { step: 'return' },
        },
      ],
    },
    {
      key: 'feedPiece',
      do: 'procedures.pointByPoint.oneLeadOnEachSide',
      reads: (worked) => piecesOf(worked, 'feed'),
      outcomes: [
        {
          when: 'procedures.pointByPoint.theJumpIsThereAgain',
          means: 'procedures.pointByPoint.thatPieceOpenItLook',
          next: { end: 'found', parts: (worked) => [worked.worst('feed')?.part ?? ''], then: 'proof' },
        },
      ],
    },
    {
      key: 'return',
      do: 'procedures.pointByPoint.blackOnTheNegativePost',
      reads: (worked) => outward(worked, 'return'),
      outcomes: [
        {
          when: 'procedures.pointByPoint.oneStepIsFarLarger',
          means: 'procedures.pointByPoint.theLossSitsBetweenThoseTwo',
          is: (_, worked) => !!worked.worst('return'),
          next: { step: 'returnPiece' },
        },
        {
          when: 'procedures.pointByPoint.itGrowsByLittleUp',
          means: 'procedures.pointByPoint.feedAndReturnAreGood',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'returnPiece',
      do: 'procedures.pointByPoint.oneLeadOnEachSide',
      reads: (worked) => piecesOf(worked, 'return'),
      outcomes: [
        {
          when: 'procedures.pointByPoint.theJumpIsThereAgain',
          means: 'procedures.pointByPoint.thatPieceCleanItTighten',
          next: { end: 'found', parts: (worked) => [worked.worst('return')?.part ?? ''], then: 'proof' },
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
