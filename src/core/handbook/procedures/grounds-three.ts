import { big, does, piecesOf, sideLoss } from '../measure'
import { say } from '../../document'
import type { Procedure } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { loaded } from './paths'

const ohmsToMinus = (worked: WorkedCircuit) => {
  const [, back] = worked.loadNodes
  const off = { ...worked.unplugged, controls: {} }
  return worked.ohms(back, worked.posts[1], off)
}
/** Loss of the whole circuit with a second ground wire from the load’s return to battery −. */
const helped = (worked: WorkedCircuit): number | undefined => {
  const [feed, back] = worked.loadNodes
  return worked.voltsBridged(feed, back, back, worked.posts[1])
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
      reads: (worked) => [sideLoss(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.withinTheLimitAndNot',
          means: 'procedures.groundsThree.theGroundCarriesThisLoad',
          is: ([back], worked) =>
            !big(back, worked.most('return')) && Math.abs(worked.balance?.amps ?? 0) > 1e-3,
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
      reads: (worked) => [
        {
          what: say('handbook.ohmsOf', { what: say('handbook.back') }),
          value: ohmsToMinus(worked),
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
      reads: (worked) => [
        {
          what: say('handbook.atLoad', { part: worked.load }),
          value: helped(worked),
          unit: 'V',
          part: worked.load,
        },
        does(worked.sound),
      ],
      outcomes: [
        {
          when: 'procedures.groundsThree.theLoadHasItsVolts',
          means: 'procedures.groundsThree.provedTheGroundTakeThe',
          is: (got, worked) => (got[0]?.value ?? 0) > (worked.balance?.loadDrop.value ?? 0) + 0.1,
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
      reads: (worked) => piecesOf(worked, 'return'),
      outcomes: [
        {
          when: 'procedures.groundsThree.oneHasMostOfIt',
          means: 'procedures.groundsThree.cleanToBareMetalTighten',
          next: { end: 'found', parts: (worked) => [worked.worst('return')?.part ?? ''], then: 'proof' },
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
