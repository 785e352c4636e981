import { available, big, does, source, sideLoss } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'

export const fourDrops: Procedure = {
  key: 'fourDrops',
  title: 'procedures.fourDrops.title',
  words: ['source', 'available', 'feed', 'return', 'loss', 'Kirchhoff'],
  about: 'procedures.fourDrops.about',
  when: 'procedures.fourDrops.when',
  cautions: ['batteries'],
  source: 'procedures.fourDrops.source',
  paths: loaded,
  steps: [
    {
      key: 'verify',
      do: 'procedures.fourDrops.switchTheCircuitOnAnd',
      reads: (worked) => [does(worked)],
      outcomes: [
        {
          when: 'procedures.fourDrops.itWorksWellOrBadly',
          means: 'procedures.fourDrops.currentFlowsLossesCanBe',
          is: (_, worked) => (worked.balance?.amps ?? 0) > 1e-3,
          next: { step: 'source' },
        },
        {
          when: 'procedures.fourDrops.itDoesNothingAtAll',
          means: 'procedures.fourDrops.withoutCurrentEveryGoodPiece',
          next: { end: 'found', then: 'openByHalves' },
        },
      ],
    },
    {
      key: 'source',
      do: 'procedures.fourDrops.redOnTheBatterysPositive',
      reads: (worked) => [source(worked)],
      outcomes: [
        {
          when: 'procedures.fourDrops.batteryAtRest124',
          means: 'procedures.fourDrops.theSourceIsGoodEnough',
          is: ([volts], worked) => (volts?.value ?? 0) > (11.5 / 12) * worked.nominal,
          next: { step: 'load' },
        },
        {
          when: 'procedures.fourDrops.less',
          means: 'procedures.fourDrops.chargeOrTestTheBattery',
          next: { end: 'found', parts: (worked) => [worked.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'load',
      do: 'procedures.fourDrops.bothLeadsAtTheLoad',
      reads: (worked) => [available(worked)],
      outcomes: [
        {
          when: 'procedures.nearlyTheSource',
          means: 'procedures.fourDrops.allVoltsReachTheLoad',
          is: (_, worked) =>
            (worked.lost('feed') ?? 9) <= worked.most('feed') &&
            (worked.lost('return') ?? 9) <= worked.most('return'),
          next: { step: 'same' },
        },
        {
          when: 'procedures.fourDrops.clearlyLess',
          means: 'procedures.fourDrops.theDifferenceIsLostOn',
          next: { step: 'feed' },
        },
      ],
    },
    {
      key: 'same',
      do: 'procedures.fourDrops.compareWhatItDoesWith',
      reads: (worked) => [does(worked)],
      outcomes: [
        {
          when: 'procedures.fourDrops.itWorksAsItShould',
          means: 'procedures.theCircuitIsGood',
          is: (_, worked) => worked.does() === worked.sound.does(),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.fourDrops.itDoesNotWithFull',
          means: 'procedures.fourDrops.feedAndReturnAreProved',
          next: { end: 'found', parts: (worked) => [worked.load] },
        },
      ],
    },
    {
      key: 'feed',
      do: 'procedures.fourDrops.redOnTheBatterysPositivePost',
      reads: (worked) => [sideLoss(worked, 'feed')],
      outcomes: [
        {
          when: 'procedures.fourDrops.moreThanTheLimitOf',
          means: 'procedures.fourDrops.theFeedLosesItGo',
          is: (got, worked) => big(got[0], worked.most('feed')),
          next: { step: 'bothSides' },
        },
        {
          when: 'procedures.withinTheLimitAndNot',
          means: 'procedures.fourDrops.theFeedIsGoodA',
          next: { step: 'return' },
        },
      ],
    },
    {
      key: 'bothSides',
      do: 'procedures.fourDrops.beforeYouFollowTheFeed',
      reads: (worked) => [sideLoss(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.fourDrops.overItsLimitToo',
          means: 'procedures.fourDrops.twoFaultsOrOnePlace',
          is: (got, worked) => big(got[0], worked.most('return')),
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (worked) => [...worked.pieces('feed'), ...worked.pieces('return')].map(({ part }) => part),
          },
        },
        {
          when: 'procedures.fourDrops.withinItsLimit',
          means: 'procedures.fourDrops.theFaultIsOnThe',
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (worked) => worked.pieces('feed').map(({ part }) => part),
          },
        },
      ],
    },
    {
      key: 'return',
      do: 'procedures.fourDrops.redOnTheLoadsReturn',
      reads: (worked) => [sideLoss(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.fourDrops.moreThanTheLimitOfThe',
          means: 'procedures.fourDrops.theReturnLosesItGrounds',
          is: (got, worked) => big(got[0], worked.most('return')),
          next: {
            end: 'found',
            then: 'pointByPoint',
            parts: (worked) => worked.pieces('return').map(({ part }) => part),
          },
        },
        {
          when: 'procedures.fourDrops.withinItsLimit',
          means: 'procedures.fourDrops.sourceFeedLoadAndReturn',
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
