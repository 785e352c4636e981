import { alone, big, piecesOf, sideLoss } from '../measure'
import type { Procedure } from '../procedure'
import { loaded } from './paths'
import type { Stand } from '../stand'

const worst = (stand: Stand) => stand.worst('feed') ?? stand.worst('return')
const candidate = (stand: Stand) => worst(stand)?.part ?? stand.pieces('feed').at(-1)?.part ?? ''

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
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.highResistance.oneOfThemIsOver',
          means: 'procedures.highResistance.resistanceWhereNoneShouldBe',
          is: ([feed, back], stand) => big(feed, stand.most('feed')) || big(back, stand.most('return')),
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
      reads: (stand) => piecesOf(stand, stand.worst('feed') ? 'feed' : 'return'),
      outcomes: [
        {
          when: 'procedures.onePieceHasMostOf',
          means: 'procedures.highResistance.thatOne',
          is: (_, stand) => !!worst(stand),
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
      reads: (stand) => alone(stand, candidate(stand)),
      outcomes: [
        {
          when: 'procedures.highResistance.aFewTenthsOfAn',
          means: 'procedures.highResistance.whateverItShowsWithoutCurrent',
          next: { end: 'found', parts: (stand) => [candidate(stand)], then: 'proof' },
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
