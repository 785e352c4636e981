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
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.proof.bothLossesWithinTheirLimits',
          means: 'procedures.proof.thePieceIsRepaired',
          is: ([feed, back], stand) =>
            !big(feed, stand.most('feed')) &&
            !big(back, stand.most('return')) &&
            Math.abs(stand.balance?.amps ?? 0) > 1e-3,
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
      reads: (stand) => [...piecesOf(stand, 'feed'), ...piecesOf(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.proof.oneStandsOut',
          means: 'procedures.proof.goOnFromThere',
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
      do: 'procedures.proof.whatTheCustomerSaidTried',
      reads: (stand) => [does(stand)],
      outcomes: [
        {
          when: 'procedures.proof.asItShouldBe',
          means: 'procedures.proof.provedWriteDownTheReading',
          is: (_, stand) => stand.does() === stand.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.proof.notYet',
          means: 'procedures.proof.goodVoltsAndABad',
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
