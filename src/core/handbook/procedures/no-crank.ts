import { big, does, piecesOf, sideLoss, source, across } from '../measure'
import { say, messageOf } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { withKind } from './paths'

const starter = (stand: Stand) => stand.part('starter') ?? ''
const lamps = (stand: Stand): Shown[] =>
  (stand.readings()?.notices ?? [])
    .filter(({ part }) => part !== starter(stand))
    .map(({ part, text }) => ({
      what: say('handbook.shows', { part }),
      unit: 'V' as const,
      part,
      word: say('handbook.glow', { glow: messageOf(text) }),
    }))
const turns = (stand: Stand) => stand.does(starter(stand)) === stand.sound.does(starter(stand))
/** The way of the control, from the battery to terminal 50. */
const controlWay = (stand: Stand) => {
  const path = stand.circuit.paths.find(({ steps }) =>
    steps.some(({ part, enter }) => part === starter(stand) && enter === 't50'),
  )
  return stand.rowsOf(path?.id ?? '').filter(({ side }) => side === 'feed')
}
/** Volts at the starter’s switching terminal. */
const control = (stand: Stand): Shown => ({
  what: say('handbook.pointToMinus', { point: '50' }),
  value: stand.volts(stand.node(starter(stand), 't50'), stand.posts[1]),
  unit: 'V',
  part: starter(stand),
})
const heavy = (stand: Stand) => Math.abs(stand.balance?.amps ?? 0) > 50
/** A heavy joint that loses more than this while cranking is bad, V (common practice, no source). */
const joint = 0.2
const bad = (stand: Stand) =>
  [...stand.pieces('feed'), ...stand.pieces('return')].filter(
    (row) =>
      Math.abs(row.value ?? 0) > joint &&
      Math.abs(row.value ?? 0) > 1.5 * Math.abs(soundOf(stand, row.segment, row.part)),
  )
const soundOf = (stand: Stand, segment: string, part: string) =>
  [...stand.sound.pieces('feed'), ...stand.sound.pieces('return')].find(
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
  paths: withKind('starter'),
  steps: [
    {
      key: 'source',
      do: 'procedures.noCrank.parkOrNeutralParkingBrake',
      reads: (stand) => [source(stand), ...lamps(stand)],
      outcomes: [
        {
          when: 'procedures.noCrank.above96VTwice',
          means: 'procedures.noCrank.theBatteryHoldsOrNothing',
          is: ([volts], stand) => (volts?.value ?? 0) >= (9.6 / 12) * stand.nominal,
          next: { step: 'turns' },
        },
        {
          when: 'procedures.noCrank.belowIt',
          means: 'procedures.noCrank.batteryDischargedOrBadOr',
          next: { end: 'found', parts: (stand) => [stand.circuit.parts[0]?.id ?? ''] },
        },
      ],
    },
    {
      key: 'turns',
      do: 'procedures.noCrank.lookAndListenWhileIt',
      reads: (stand) => [does(stand, starter(stand))],
      outcomes: [
        {
          when: 'procedures.noCrank.itCranksAsItShould',
          means: 'procedures.noCrank.nothingToLookForHere',
          is: (_, stand) => turns(stand),
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
      reads: (stand) => [control(stand)],
      outcomes: [
        {
          when: 'procedures.noCrank.nearlyTheBatterys',
          means: 'procedures.noCrank.theControlWorksTheHeavy',
          is: ([volts], stand) => Math.abs(volts?.value ?? 0) > (8 / 12) * stand.nominal,
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
      reads: (stand) => controlWay(stand).map(across),
      outcomes: [
        {
          when: 'procedures.noCrank.onePieceHasTheVolts',
          means: 'procedures.noCrank.thatOneInterlocksArePieces',
          next: {
            end: 'found',
            parts: (stand) => {
              const [first] = [...controlWay(stand)].sort(
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
      reads: (stand) => [sideLoss(stand, 'feed'), sideLoss(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.noCrank.oneOfThemAbove0',
          means: 'procedures.noCrank.aJointOrACable',
          is: ([feed, back], stand) => big(feed, 0.5) || big(back, 0.5) || bad(stand).length > 0,
          next: { step: 'joints' },
        },
        {
          when: 'procedures.noCrank.bothSmallAndLittleCurrent',
          means: 'procedures.noCrank.theStarterHasItsVolts',
          is: (_, stand) => !heavy(stand),
          next: { end: 'found', parts: (stand) => [starter(stand)] },
        },
        {
          when: 'procedures.noCrank.bothSmallAndHundredsOf',
          means: 'procedures.noCrank.theStarterOrTheEngine',
          next: { end: 'found', parts: (stand) => [starter(stand)] },
        },
      ],
    },
    {
      key: 'joints',
      do: 'procedures.noCrank.eachJointByItselfWhile',
      reads: (stand) => [...piecesOf(stand, 'feed'), ...piecesOf(stand, 'return')],
      outcomes: [
        {
          when: 'procedures.noCrank.oneHasTenthsOfA',
          means: 'procedures.noCrank.strapOffCleanItTighten',
          next: {
            end: 'found',
            parts: (stand) => [
              (stand.worst('feed') ?? stand.worst('return'))?.part ?? bad(stand)[0]?.part ?? '',
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
