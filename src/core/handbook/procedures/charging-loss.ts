import { across, big } from '../measure'
import { say } from '../phrases'
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
  what: say('atSource'),
  value: stand.volts(...stand.posts),
  unit: 'V',
})
const atGenerator = (stand: Stand): Shown => ({
  what: say('atLoad', { part: generator(stand) }),
  value: stand.volts(stand.node(generator(stand), 'plus'), stand.node(generator(stand), 'case')),
  unit: 'V',
  part: generator(stand),
})
const lost = (stand: Stand) => way(stand).reduce((sum, row) => sum + Math.abs(row.value ?? 0), 0)
const most = (stand: Stand) => (0.5 / 12) * stand.nominal

export const chargingLoss: Procedure = {
  key: 'chargingLoss',
  title: 'Charging: the loss on the way, and the bypass that proves it',
  words: ['alternator', 'battery', 'bypass', 'B+'],
  about:
    'What the alternator makes and the battery does not get is lost between them: feed, return, or both.',
  when: 'The battery is not charged, and the alternator turns.',
  cautions: ['batteries', 'startsAnyway', 'longLeads', 'fuseJumpers'],
  source: 'Common practice, no source',
  paths: charged,
  steps: [
    {
      key: 'battery',
      do: 'Engine running, loads on. Battery post to post; then the alternator, B+ to its housing.',
      reads: (stand) => [atBattery(stand), atGenerator(stand)],
      outcomes: [
        {
          when: 'Both 13.5 to 14.6 V and nearly alike; twice that at 24 V',
          means: 'It charges, and nothing is lost on the way.',
          is: ([battery, made], stand) =>
            (battery?.value ?? 0) > (13.2 / 12) * stand.nominal &&
            Math.abs((made?.value ?? 0) - (battery?.value ?? 0)) <= most(stand),
          next: { end: 'sound' },
        },
        {
          when: 'The alternator has volts that the battery has not',
          means: 'They are lost between them.',
          is: ([battery, made], stand) => (made?.value ?? 0) - (battery?.value ?? 0) > most(stand),
          next: { step: 'sides' },
        },
        {
          when: 'Neither has them',
          means: 'The alternator does not make them: its lamp circuit, its regulator, its belt.',
          next: { end: 'found', parts: (stand) => [generator(stand)] },
        },
      ],
    },
    {
      key: 'sides',
      do: 'The drop of each piece: alternator B+ to battery + post, battery − post to the alternator’s housing.',
      reads: (stand) => way(stand).map(across),
      outcomes: [
        {
          when: 'One piece has most of it',
          means: 'That one. Prove it before it is replaced.',
          is: (got, stand) => got.some((one) => big(one, most(stand) / 2)),
          next: { step: 'bypass' },
        },
        {
          when: 'Little anywhere',
          means: 'Few amps flow: a full battery takes little. Load it and read again.',
          next: { end: 'sound' },
        },
      ],
    },
    {
      key: 'bypass',
      do: 'A heavy jumper, fused like the circuit, past that piece: the battery’s volts have to come back.',
      reads: (stand) => [{ what: say('before', { what: generator(stand) }), value: lost(stand), unit: 'V' }],
      outcomes: [
        {
          when: 'The battery rises to charging volts',
          means: 'Proved: what was bypassed is the fault.',
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
