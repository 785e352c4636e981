import { figures, type Words } from '../document'
import { fuseTable, lampTable, sectionTable } from '../parts'
import { ampacity, sections } from '../workshop'

/** A table to look things up in. */
export interface LookUp {
  readonly key: string
  readonly title: Words
  readonly words: readonly string[]
  readonly source: Words
  readonly head: readonly Words[]
  readonly rows: readonly (readonly Words[])[]
}

const number = (value: number): Words => figures(String(value))
const amps = (section: number): Words => {
  const value = ampacity(section)
  return number(value < 10 ? value : Math.round(value))
}

const thinnest = (rating: number): Words => {
  const section = sections.find((s) => ampacity(s) >= rating * 0.999)
  return section === undefined ? 'tables.noneOfTheTable' : number(section)
}

/** Every table there is. */
export const lookUps: readonly LookUp[] = [
  {
    key: 'meaning',
    title: 'tables.tables.title',
    words: ['zero', 'source volts', 'voltage drop', 'open', 'loss'],
    source: 'tables.tables.source',
    head: [
      'tables.tables.between',
      'tables.tables.reads',
      'tables.tables.withCurrent',
      'tables.tables.withoutCurrent',
    ],
    rows: [
      [
        'tables.tables.twoEndsOfAWire',
        'tables.tables.aboutZero',
        'tables.tables.sound',
        'tables.tables.saysNothingNothingFlowsThat',
      ],
      [
        'tables.tables.twoEndsOfAWire',
        'tables.tables.someHundredMillivolts',
        'tables.tables.tooManyOhmsInIt',
        'tables.tables.cannotBeLookForA',
      ],
      [
        'tables.tables.twoEndsOfAWire',
        'tables.tables.sourceVolts',
        'tables.tables.cannotBe',
        'tables.tables.itIsOpenAndThe',
      ],
      [
        'tables.tables.aLoad',
        'tables.tables.nearlySourceVolts',
        'tables.tables.wellFedJudgeTheLoad',
        'tables.tables.theLoadIsOpen',
      ],
      [
        'tables.tables.aLoad',
        'tables.tables.muchLess',
        'tables.tables.theRestIsLostIn',
        'tables.tables.feedOrReturnIsOpen',
      ],
      [
        'tables.tables.aPointBeforeTheLoad',
        'tables.tables.sourceVolts',
        'tables.tables.theFeedIsGoodAs',
        'tables.tables.wholeAsFarAsHere',
      ],
      [
        'tables.tables.aPointBehindTheLoad',
        'tables.tables.aboutZero',
        'tables.tables.theReturnIsGoodFrom',
        'tables.tables.wholeFromHereOrNothing',
      ],
      [
        'tables.tables.aPointBehindTheLoad',
        'tables.tables.sourceVolts',
        'tables.tables.cannotBe',
        'tables.tables.theReturnIsOpenFrom',
      ],
    ],
  },
  {
    key: 'terminals',
    title: 'tables.tables.terminalNumbers',
    words: ['din 72552', 'relay pin', 'ignition', '30', '15', '31', '87', '50', '58'],
    source: 'tables.tables.din72552FromMemoryThe',
    head: ['tables.tables.number', 'tables.tables.whatItIs'],
    rows: [
      [figures('15'), 'tables.tables.ignitionOnFromTheKey'],
      [figures('30'), 'tables.tables.batteryAlways'],
      [figures('31'), 'tables.tables.groundBattery'],
      [figures('49a'), 'tables.tables.fromTheFlasherUnit'],
      [figures('50'), 'tables.tables.starterControl'],
      [figures('53'), 'tables.tables.wiperMotor'],
      [figures('54'), 'tables.tables.stopLamps'],
      [figures('56a, 56b'), 'tables.tables.highBeamLowBeam'],
      [figures('58'), 'tables.tables.sideTailAndPlateLamps'],
      [figures('61'), 'tables.tables.chargeLampAtTheAlternator'],
      [figures('85, 86'), 'tables.tables.relayCoilEndAndBeginning'],
      [figures('87, 87a'), 'tables.tables.relayContactClosesOpens'],
      [figures('B+, D+'), 'tables.tables.alternatorOutputItsExciterAnd'],
    ],
  },
  {
    key: 'relays',
    title: 'tables.tables.aRelayByItsSocket',
    words: ['coil', 'contact', '30', '85', '86', '87', 'test'],
    source: 'tables.tables.commonPracticeNoSource',
    head: ['tables.tables.socketHole', 'tables.tables.relayOutCircuitSwitchedOn', 'tables.tables.whatItSays'],
    rows: [
      [figures('30'), 'tables.tables.sourceVoltsToBattery', 'tables.tables.supplyOfTheContactIs'],
      ['tables.tables.n86Or85', 'tables.tables.sourceVoltsAtOneOf', 'tables.tables.supplyOfTheCoilIs'],
      [
        'tables.tables.theOtherOfThem',
        'tables.tables.olToBatteryAbout0',
        'tables.tables.theControlSideClosesTo',
      ],
      [figures('87'), 'tables.tables.theLoadsOhmsToBattery', 'tables.tables.theLoadAndItsReturn'],
      [
        'tables.tables.n30To87',
        'tables.tables.aFusedJumperRunsThe',
        'tables.tables.everythingButTheRelayAnd',
      ],
    ],
  },
  {
    key: 'wires',
    title: 'tables.tables.wires',
    words: ['section', 'mm²', 'awg', 'ampacity'],
    source: 'tables.tables.iso67221SectionsFrom',
    head: ['tables.tables.mm', 'tables.tables.about', 'tables.tables.commonlyFusedForA'],
    rows: sectionTable.map(({ value, gauge }) => [number(value), figures(`AWG ${gauge}`), amps(value)]),
  },
  {
    key: 'fuses',
    title: 'tables.tables.bladeFuses',
    words: ['rating', 'colour', 'iso 8820'],
    source: 'tables.tables.iso88203FromMemory',
    head: ['tables.tables.ratingA', 'tables.tables.thinnestWireItProtectsMm'],
    rows: fuseTable.map(({ value }) => [number(value), thinnest(value)]),
  },
  {
    key: 'lamps',
    title: 'tables.tables.lamps',
    words: ['bulb', 'watts', 'category'],
    source: 'tables.tables.unRegulationNo37From',
    head: ['tables.tables.watts', 'tables.tables.categories'],
    rows: lampTable.map(({ value, categories }) => [number(value), figures(categories)]),
  },
]
