import { piecesOf, big } from '../measure'
import type { Procedure } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { loaded } from './paths'

const wires = (worked: WorkedCircuit) =>
  [...worked.pieces('feed'), ...worked.pieces('return')].filter(({ part }) => /^W/.test(part))
const worst = (worked: WorkedCircuit) => worked.worst('feed') ?? worked.worst('return')

export const wireRepair: Procedure = {
  key: 'wireRepair',
  title: 'procedures.wireRepair.title',
  words: ['crimp', 'solder', 'heat shrink', 'sleeve', 'splice'],
  about: 'procedures.wireRepair.about',
  when: 'procedures.wireRepair.when',
  cautions: ['batteries', 'disconnectBeforeOhms', 'outOfBounds'],
  source: 'procedures.wireRepair.source',
  paths: loaded,
  steps: [
    {
      key: 'cut',
      do: 'procedures.wireRepair.strapOffBackToBright',
      outcomes: [
        {
          when: 'procedures.wireRepair.brightStrandsAtBothEnds',
          means: 'procedures.wireRepair.nowOneOfTheTwo',
          next: { step: 'join' },
        },
      ],
    },
    {
      key: 'join',
      do: 'procedures.wireRepair.crimpSleeveBySectionBoth',
      outcomes: [
        {
          when: 'procedures.wireRepair.itHoldsAFirmPull',
          means: 'procedures.wireRepair.thenItIsMeasured',
          next: { step: 'measure' },
        },
      ],
    },
    {
      key: 'measure',
      do: 'procedures.wireRepair.strapOnCircuitOnThe',
      reads: (worked) =>
        [...piecesOf(worked, 'feed'), ...piecesOf(worked, 'return')].filter(({ part }) =>
          wires(worked).some((row) => row.part === part),
        ),
      outcomes: [
        {
          when: 'procedures.wireRepair.whatAWireOfIts',
          means: 'procedures.wireRepair.theJointAddsNothingThat',
          is: (got, worked) =>
            !worst(worked) &&
            got.every((one) => !big(one, 0.3)) &&
            Math.abs(worked.balance?.amps ?? 0) > 1e-3,
          next: { end: 'sound', then: 'proof' },
        },
        {
          when: 'procedures.wireRepair.clearlyMoreOrTheSource',
          means: 'procedures.wireRepair.aColdJointASleeve',
          next: { end: 'found', parts: (worked) => [worst(worked)?.part ?? ''] },
        },
      ],
    },
  ],
  example: {
    circuit: 'sweeper-work-lamp',
    state: 'on',
    path: '',
    faults: [{ kind: 'highResistance', part: 'W5', segment: 'copper', severity: 0.3 }],
  },
}
