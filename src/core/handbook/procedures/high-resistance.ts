import { alone, big, piecesOf, sideLoss } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'
import type { WorkedCircuit } from '../worked-circuit'

const worst = (worked: WorkedCircuit) => worked.worst('feed') ?? worked.worst('return')
const candidate = (worked: WorkedCircuit) => worst(worked)?.part ?? worked.pieces('feed').at(-1)?.part ?? ''

export const highResistance: Procedure = {
  key: 'highResistance',
  title: 'procedures.highResistance.title',
  words: ['ohms', 'corroded', 'strands', 'continuity passes'],
  about: 'procedures.highResistance.about',
  when: 'procedures.highResistance.when',
  cautions: ['disconnectBeforeOhms'],
  source: 'procedures.commonPracticeNoSource',
  paths: loaded,
  steps: [
    {
      key: 'sides',
      do: 'procedures.highResistance.circuitOnTheLossOf',
      reads: (worked) => [sideLoss(worked, 'feed'), sideLoss(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.highResistance.oneOfThemIsOver',
          means: 'procedures.highResistance.resistanceWhereNoneShouldBe',
          is: ([feed, back], worked) => big(feed, worked.most('feed')) || big(back, worked.most('return')),
          next: { step: 'pieces' },
        },
        {
          when: 'procedures.highResistance.bothAreWithinTheirLimits',
          means: 'procedures.highResistance.underThisLoadNothingResists',
          next: { end: 'sound', then: 'substitute' },
        },
      ],
    },
    {
      key: 'pieces',
      do: 'procedures.highResistance.theDropOfEachPiece',
      reads: (worked) => piecesOf(worked, worked.worst('feed') ? 'feed' : 'return'),
      outcomes: [
        {
          when: 'procedures.onePieceHasMostOf',
          means: 'procedures.highResistance.thatOne',
          is: (_, worked) => !!worst(worked),
          next: { step: 'ohms' },
        },
        {
          when: 'procedures.highResistance.eachHasALittleMore',
          means: 'procedures.highResistance.wiresTooThinOrToo',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'ohms',
      do: 'procedures.highResistance.toSeeWhyOhmsDo',
      reads: (worked) => alone(worked, candidate(worked)),
      outcomes: [
        {
          when: 'procedures.highResistance.aFewTenthsOfAn',
          means: 'procedures.highResistance.whateverItShowsWithoutCurrent',
          next: { end: 'found', parts: (worked) => [candidate(worked)], then: 'proof' },
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
