import { does, piecesOf, sideLoss, big } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const proof: Procedure = {
  key: 'proof',
  title: 'procedures.proof.title',
  words: ['verify', 'repeat', 'done'],
  about: 'procedures.proof.about',
  when: 'procedures.proof.when',
  cautions: [],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'again',
      do: 'procedures.proof.theSameReadingAtThe',
      reads: (worked) => [sideLoss(worked, 'feed'), sideLoss(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.proof.bothLossesWithinTheirLimits',
          means: 'procedures.proof.thePieceIsRepaired',
          is: ([feed, back], worked) =>
            !big(feed, worked.most('feed')) &&
            !big(back, worked.most('return')) &&
            Math.abs(worked.balance?.amps ?? 0) > 1e-3,
          next: { step: 'complaint' },
        },
        {
          when: 'procedures.proof.stillOverOrZeroBecause',
          means: 'procedures.proof.itIsNotRepairedOr',
          next: { step: 'where' },
        },
      ],
    },
    {
      key: 'where',
      do: 'procedures.proof.thePiecesOfBothSides',
      reads: (worked) => [...piecesOf(worked, 'feed'), ...piecesOf(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.proof.oneStandsOut',
          means: 'procedures.proof.goOnFromThere',
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (worked) => [(worked.worst('feed') ?? worked.worst('return'))?.part ?? ''],
          },
        },
      ],
    },
    {
      key: 'complaint',
      do: 'procedures.proof.whatTheCustomerSaidTried',
      reads: (worked) => [does(worked)],
      outcomes: [
        {
          when: 'procedures.proof.asItShouldBe',
          means: 'procedures.proof.provedWriteDownTheReading',
          is: (_, worked) => worked.does() === worked.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.proof.notYet',
          means: 'procedures.proof.goodVoltsAndABad',
          next: { end: 'found', parts: (worked) => [worked.load] },
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
