import { big, does, piecesOf, sideLoss, source, across } from '../measure'
import { say, messageOf } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import type { AnyPart } from '../../parts'
import { firstPart, pathsWith } from './paths'

const isStarter = ({ topic, role }: AnyPart): boolean => topic === 'starting' && role === 'load'
const starter = (worked: WorkedCircuit) => firstPart(worked.circuit, isStarter) ?? ''
const lamps = (worked: WorkedCircuit): Shown[] =>
  (worked.readings()?.notices ?? [])
    .filter(({ part }) => part !== starter(worked))
    .map(({ part, text }) => ({
      what: say('handbook.shows', { part }),
      unit: 'V' as const,
      part,
      word: say('handbook.glow', { glow: messageOf(text) }),
    }))
const turns = (worked: WorkedCircuit) => worked.does(starter(worked)) === worked.sound.does(starter(worked))
/** The way of the control, from the battery to terminal 50. */
const controlWay = (worked: WorkedCircuit) => {
  const path = worked.circuit.paths.find(({ steps }) =>
    steps.some(({ part, enter }) => part === starter(worked) && enter === 't50'),
  )
  return worked.rowsOf(path?.id ?? '').filter(({ side }) => side === 'feed')
}
/** Volts at the starter’s switching terminal. */
const control = (worked: WorkedCircuit): Shown => ({
  what: say('handbook.pointToMinus', { point: '50' }),
  value: worked.volts(worked.node(starter(worked), 't50'), worked.posts[1]),
  unit: 'V',
  part: starter(worked),
})
const heavy = (worked: WorkedCircuit) => Math.abs(worked.balance?.amps ?? 0) > 50
/** A heavy joint that loses more than this while cranking is bad, V (common practice, no source). */
const joint = 0.2
const bad = (worked: WorkedCircuit) =>
  [...worked.pieces('feed'), ...worked.pieces('return')].filter(
    (row) =>
      Math.abs(row.value ?? 0) > joint &&
      Math.abs(row.value ?? 0) > 1.5 * Math.abs(soundOf(worked, row.segment, row.part)),
  )
const soundOf = (worked: WorkedCircuit, segment: string, part: string) =>
  [...worked.sound.pieces('feed'), ...worked.sound.pieces('return')].find(
    (r) => r.part === part && r.segment === segment,
  )?.value ?? 0

export const noCrank: Procedure = {
  key: 'noCrank',
  title: 'procedures.noCrank.title',
  words: ['starter', 'stud', 'nut', 'eyelet', 'ground', 'solenoid', '50'],
  about: 'procedures.noCrank.about',
  when: 'procedures.noCrank.when',
  cautions: ['batteries', 'startsAnyway', 'cranking', 'longLeads'],
  source: 'procedures.noCrank.source',
  paths: pathsWith(isStarter),
  steps: [
    {
      key: 'source',
      do: 'procedures.noCrank.parkOrNeutralParkingBrake',
      reads: (worked) => [source(worked), ...lamps(worked)],
      outcomes: [
        {
          when: 'procedures.noCrank.above96VTwice',
          means: 'procedures.noCrank.theBatteryHoldsOrNothing',
          is: ([volts], worked) => (volts?.value ?? 0) >= (9.6 / 12) * worked.nominal,
          next: { step: 'turns' },
        },
        {
          when: 'procedures.noCrank.belowIt',
          means: 'procedures.noCrank.batteryDischargedOrBadOr',
          next: { end: 'found', parts: (worked) => [worked.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'turns',
      do: 'procedures.noCrank.lookAndListenWhileIt',
      reads: (worked) => [does(worked, starter(worked))],
      outcomes: [
        {
          when: 'procedures.noCrank.itCranksAsItShould',
          means: 'procedures.noCrank.nothingToLookForHere',
          is: (_, worked) => turns(worked),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.noCrank.silentAClickOrSlow',
          means: 'procedures.noCrank.silentTheControlWayA',
          next: { step: 'control' },
        },
      ],
    },
    {
      key: 'control',
      do: 'procedures.noCrank.voltsAtTheStartersTerminal',
      reads: (worked) => [control(worked)],
      outcomes: [
        {
          when: 'procedures.noCrank.nearlyTheBatterys',
          means: 'procedures.noCrank.theControlWorksTheHeavy',
          is: ([volts], worked) => Math.abs(volts?.value ?? 0) > (8 / 12) * worked.nominal,
          next: { step: 'sides' },
        },
        {
          when: 'procedures.noCrank.noneOrFarLess',
          means: 'procedures.noCrank.fuseKeyInhibitorOrClutch',
          next: { step: 'controlWay' },
        },
      ],
    },
    {
      key: 'controlWay',
      do: 'procedures.noCrank.pointByPointAlongThe',
      reads: (worked) => controlWay(worked).map(across),
      outcomes: [
        {
          when: 'procedures.noCrank.onePieceHasTheVolts',
          means: 'procedures.noCrank.thatOneInterlocksArePieces',
          next: {
            end: 'found',
            parts: (worked) => {
              const [first] = [...controlWay(worked)].sort(
                (a, b) => Math.abs(b.value ?? 0) - Math.abs(a.value ?? 0),
              )
              return [first?.part ?? '']
            },
          },
        },
      ],
    },
    {
      key: 'sides',
      do: 'procedures.noCrank.whileItIsCrankedBattery',
      reads: (worked) => [sideLoss(worked, 'feed'), sideLoss(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.noCrank.oneOfThemAbove0',
          means: 'procedures.noCrank.aJointOrACable',
          is: ([feed, back], worked) => big(feed, 0.5) || big(back, 0.5) || bad(worked).length > 0,
          next: { step: 'joints' },
        },
        {
          when: 'procedures.noCrank.bothSmallAndLittleCurrent',
          means: 'procedures.noCrank.theStarterHasItsVolts',
          is: (_, worked) => !heavy(worked),
          next: { end: 'found', parts: (worked) => [starter(worked)] },
        },
        {
          when: 'procedures.noCrank.bothSmallAndHundredsOf',
          means: 'procedures.noCrank.theStarterOrTheEngine',
          next: { end: 'found', parts: (worked) => [starter(worked)] },
        },
      ],
    },
    {
      key: 'joints',
      do: 'procedures.noCrank.eachJointByItselfWhile',
      reads: (worked) => [...piecesOf(worked, 'feed'), ...piecesOf(worked, 'return')],
      outcomes: [
        {
          when: 'procedures.noCrank.oneHasTenthsOfA',
          means: 'procedures.noCrank.strapOffCleanItTighten',
          next: {
            end: 'found',
            parts: (worked) => [
              (worked.worst('feed') ?? worked.worst('return'))?.part ?? bad(worked)[0]?.part ?? '',
            ],
            then: 'proof',
          },
        },
      ],
    },
  ],
  example: {
    circuit: 'van-starting',
    state: 'crank',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G9', segment: 'foot', severity: 0.018 }],
  },
}
