import { across, big } from '../measure'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { partOfKind } from '../../parts'
import type { Circuit } from '../../circuit'

const generator = (stand: Stand) =>
  stand.circuit.parts.find(({ kind }) => partOfKind(kind).generates)?.id ?? ''
/** Paths that begin at what generates: to the battery’s plus, and back from its minus. */
const charged = (circuit: Circuit): string[] =>
  circuit.paths
    .filter(({ from }) =>
      circuit.parts.some(({ id, kind }) => id === from.split('.')[0] && partOfKind(kind).generates),
    )
    .map(({ id }) => id)

const way = (stand: Stand) => charged(stand.circuit).flatMap((path) => stand.rowsOf(path))
const atBattery = (stand: Stand): Shown => ({
  what: say('handbook.atSource'),
  value: stand.volts(...stand.posts),
  unit: 'V',
})
const atGenerator = (stand: Stand): Shown => ({
  what: say('handbook.atLoad', { part: generator(stand) }),
  value: stand.volts(stand.node(generator(stand), 'plus'), stand.node(generator(stand), 'case')),
  unit: 'V',
  part: generator(stand),
})
const lost = (stand: Stand) => way(stand).reduce((sum, row) => sum + Math.abs(row.value ?? 0), 0)
const most = (stand: Stand) => (0.5 / 12) * stand.nominal

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
      reads: (stand) => [atBattery(stand), atGenerator(stand)],
      outcomes: [
        {
          when: 'procedures.chargingLoss.both135To14',
          means: 'procedures.chargingLoss.itChargesAndNothingIs',
          is: ([battery, made], stand) =>
            (battery?.value ?? 0) > (13.2 / 12) * stand.nominal &&
            Math.abs((made?.value ?? 0) - (battery?.value ?? 0)) <= most(stand),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.chargingLoss.theAlternatorHasVoltsThat',
          means: 'procedures.chargingLoss.theyAreLostBetweenThem',
          is: ([battery, made], stand) => (made?.value ?? 0) - (battery?.value ?? 0) > most(stand),
          next: { step: 'sides' },
        },
        {
          when: 'procedures.chargingLoss.neitherHasThem',
          means: 'procedures.chargingLoss.theAlternatorDoesNotMake',
          next: { end: 'found', parts: (stand) => [generator(stand)] },
        },
      ],
    },
    {
      key: 'sides',
      do: 'procedures.chargingLoss.theDropOfEachPiece',
      reads: (stand) => way(stand).map(across),
      outcomes: [
        {
          when: 'procedures.onePieceHasMostOf',
          means: 'procedures.chargingLoss.thatOneProveItBefore',
          is: (got, stand) => got.some((one) => big(one, most(stand) / 2)),
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
      reads: (stand) => [
        { what: say('handbook.before', { what: generator(stand) }), value: lost(stand), unit: 'V' },
      ],
      outcomes: [
        {
          when: 'procedures.chargingLoss.theBatteryRisesToCharging',
          means: 'procedures.chargingLoss.provedWhatWasBypassedIs',
          next: {
            end: 'found',
            parts: (stand) => {
              const [first] = way(stand).sort((a, b) => Math.abs(b.value ?? 0) - Math.abs(a.value ?? 0))
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
