import { big, does, piecesOf, sideLoss } from '../measure'
import { say } from '../../document'
import type { Procedure } from '../procedure'
import type { Stand } from '../stand'
import { loaded } from './paths'

const ohmsToMinus = (stand: Stand) => {
  const [, back] = stand.loadNodes
  const off = { ...stand.unplugged, controls: {} }
  return stand.ohms(back, stand.posts[1], off)
}
/** Loss of the whole circuit with a second ground wire from the load’s return to battery −. */
const helped = (stand: Stand): number | undefined => {
  const [feed, back] = stand.loadNodes
  return stand.voltsBridged(feed, back, back, stand.posts[1])
}

export const groundsThree: Procedure = {
  key: 'groundsThree',
  title: 'procedures.groundsThree.title',
  words: ['ground', 'earth', 'return', 'eyelet', 'bolt', 'chassis'],
  about: 'procedures.groundsThree.about',
  when: 'procedures.groundsThree.when',
  cautions: ['disconnectBeforeOhms', 'fuseJumpers'],
  source: 'procedures.groundsThree.source',
  paths: loaded,
  steps: [
    {
      key: 'drop',
      do: 'procedures.groundsThree.circuitOnLoadsReturnTerminal',
      reads: (stand) => [sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.withinTheLimitAndNot',
          means: 'procedures.groundsThree.theGroundCarriesThisLoad',
          is: ([back], stand) =>
            !big(back, stand.most('return')) && Math.abs(stand.balance?.amps ?? 0) > 1e-3,
          next: { end: 'sound' },
        },
        {
          when: 'procedures.groundsThree.moreOrTheSourceWhere',
          means: 'procedures.groundsThree.theReturnByOhmsHow',
          next: { step: 'ohms' },
        },
      ],
    },
    {
      key: 'ohms',
      do: 'procedures.groundsThree.circuitOffLoadUnpluggedOhms',
      reads: (stand) => [
        {
          what: say('handbook.ohmsOf', { what: say('handbook.back') }),
          value: ohmsToMinus(stand),
          unit: 'Ω',
        },
      ],
      outcomes: [
        {
          when: 'procedures.groundsThree.n00To03',
          means: 'procedures.groundsThree.anOhmmeterCannotSeeA',
          is: ([ohms]) => (ohms?.value ?? 1e9) <= 0.3,
          next: { step: 'wire' },
        },
        {
          when: 'procedures.groundsThree.moreOrOl',
          means: 'procedures.groundsThree.aPoorOrOpenGround',
          next: { step: 'wire' },
        },
      ],
    },
    {
      key: 'wire',
      do: 'procedures.groundsThree.aSupplementalWireFusedLike',
      reads: (stand) => [
        {
          what: say('handbook.atLoad', { part: stand.load }),
          value: helped(stand),
          unit: 'V',
          part: stand.load,
        },
        does(stand.sound),
      ],
      outcomes: [
        {
          when: 'procedures.groundsThree.theLoadHasItsVolts',
          means: 'procedures.groundsThree.provedTheGroundTakeThe',
          is: (got, stand) => (got[0]?.value ?? 0) > (stand.balance?.loadDrop.value ?? 0) + 0.1,
          next: { step: 'pieces' },
        },
        {
          when: 'procedures.groundsThree.noChange',
          means: 'procedures.groundsThree.theReturnWasNotWhat',
          next: { end: 'sound', then: 'fourDrops' },
        },
      ],
    },
    {
      key: 'pieces',
      do: 'procedures.groundsThree.eachPieceOfTheReturn',
      reads: (stand) => piecesOf(stand, 'return'),
      outcomes: [
        {
          when: 'procedures.groundsThree.oneHasMostOfIt',
          means: 'procedures.groundsThree.cleanToBareMetalTighten',
          next: { end: 'found', parts: (stand) => [stand.worst('return')?.part ?? ''], then: 'proof' },
        },
      ],
    },
  ],
  example: {
    circuit: 'gritter-spinner-lights',
    state: 'both',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'foot', severity: 0.6 }],
  },
}
