import { across, big } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { partOfKind } from '../../parts'
import { type Circuit, partIn } from '../../circuit'

const generator = (worked: WorkedCircuit) =>
  worked.circuit.parts.find(({ kind }) => partOfKind(kind).generates)?.id ?? ''
/** Paths that begin at what generates: to the battery’s plus, and back from its minus. */
const charged = (circuit: Circuit): string[] =>
  circuit.paths
    .filter(({ from }) =>
      circuit.parts.some(({ id, kind }) => id === partIn(from) && partOfKind(kind).generates),
    )
    .map(({ id }) => id)

const way = (worked: WorkedCircuit) => charged(worked.circuit).flatMap((path) => worked.rowsOf(path))
const atBattery = (worked: WorkedCircuit): Shown => ({
  what: say('handbook.atSource'),
  value: worked.volts(...worked.posts),
  unit: 'V',
})
const atGenerator = (worked: WorkedCircuit): Shown => ({
  what: say('handbook.atLoad', { part: generator(worked) }),
  value: worked.volts(worked.node(generator(worked), 'plus'), worked.node(generator(worked), 'case')),
  unit: 'V',
  part: generator(worked),
})
const lost = (worked: WorkedCircuit) => way(worked).reduce((sum, row) => sum + Math.abs(row.value ?? 0), 0)
const most = (worked: WorkedCircuit) => (0.5 / 12) * worked.nominal

export const chargingLoss: Procedure = {
  key: 'chargingLoss',
  title: 'procedures.chargingLoss.title',
  words: ['alternator', 'battery', 'bypass', 'B+'],
  about: 'procedures.chargingLoss.about',
  when: 'procedures.chargingLoss.when',
  cautions: ['batteries', 'startsAnyway', 'longLeads', 'fuseJumpers'],
  source: 'procedures.commonPracticeNoSource',
  paths: charged,
  steps: [
    {
      key: 'battery',
      do: 'procedures.chargingLoss.engineRunningLoadsOnBattery',
      reads: (worked) => [atBattery(worked), atGenerator(worked)],
      outcomes: [
        {
          when: 'procedures.chargingLoss.both135To14',
          means: 'procedures.chargingLoss.itChargesAndNothingIs',
          is: ([battery, made], worked) =>
            (battery?.value ?? 0) > (13.2 / 12) * worked.nominal &&
            Math.abs((made?.value ?? 0) - (battery?.value ?? 0)) <= most(worked),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.chargingLoss.theAlternatorHasVoltsThat',
          means: 'procedures.chargingLoss.theyAreLostBetweenThem',
          is: ([battery, made], worked) => (made?.value ?? 0) - (battery?.value ?? 0) > most(worked),
          next: { step: 'sides' },
        },
        {
          when: 'procedures.chargingLoss.neitherHasThem',
          means: 'procedures.chargingLoss.theAlternatorDoesNotMake',
          next: { end: 'found', parts: (worked) => [generator(worked)] },
        },
      ],
    },
    {
      key: 'sides',
      do: 'procedures.chargingLoss.theDropOfEachPiece',
      reads: (worked) => way(worked).map(across),
      outcomes: [
        {
          when: 'procedures.onePieceHasMostOf',
          means: 'procedures.chargingLoss.thatOneProveItBefore',
          is: (got, worked) => got.some((one) => big(one, most(worked) / 2)),
          next: { step: 'bypass' },
        },
        {
          when: 'procedures.chargingLoss.littleAnywhere',
          means: 'procedures.chargingLoss.fewAmpsFlowAFull',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'bypass',
      do: 'procedures.chargingLoss.aHeavyJumperFusedLike',
      reads: (worked) => [
        { what: say('handbook.before', { what: generator(worked) }), value: lost(worked), unit: 'V' },
      ],
      outcomes: [
        {
          when: 'procedures.chargingLoss.theBatteryRisesToCharging',
          means: 'procedures.chargingLoss.provedWhatWasBypassedIs',
          next: {
            end: 'found',
            parts: (worked) => {
              const [first] = way(worked).sort((a, b) => Math.abs(b.value ?? 0) - Math.abs(a.value ?? 0))
              return [first?.part ?? '']
            },
            then: 'proof',
          },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-charging',
    state: 'running',
    path: 'output',
    faults: [{ kind: 'highResistance', part: 'W1', segment: 'copper', severity: 1 }],
  },
}
